# frozen_string_literal: true

module Shared
  module Instruments
    # The clamp meter: a running current against the plate, with the meter's error.
    class Amps < Instrument
      LEGS = %w[amps amps_b amps_c].freeze

      def fields = (fan ? [] : plate_fields) + reading_fields

      def family = fan ? plate&.family : value("family").presence

      # What will count as within, before anything is read; nil without a plate.
      def window
        Fenbo::Electrical::Plate.new(plate, site_volts).window(limits: Shop.limits) if fan
      end

      def three_phase? = family == "three_phase"

      # The voltage counts whether or not the amps can tell.
      def findings
        told = Fenbo::Diagnosis::Test["amps"].outcomes & [result.verdict]
        told.to_h { |verdict| ["amps", verdict] }.merge(voltage_finding)
      end

      def working
        leg = result.legs.first
        lines = [["amps = display ÷ turns", "#{tidy(figure("amps"))} ÷ #{turns} = #{tidy(leg.amps)} A"]]
        if leg.error.positive?
          lines << [
            "error = percent × amps + counts × resolution ÷ turns",
            "#{error_words(leg)} = ±#{tidy(leg.error)} A"
          ]
        end
        if leg.ratio
          lines << [
            "ratio = amps ÷ nameplate amps",
            "#{tidy(leg.amps)} ÷ #{tidy(asked["motor"]["nameplate_amps"])} = #{tidy(leg.ratio)}"
          ]
        end
        lines
      end

      private

      def plate_fields
        [
          Field.new(name: "family", label: "Motor", options: Words::MOTORS, group: "Nameplate"),
          Field.new(name: "plate_amps", label: "Amps", kind: "current", group: "Nameplate"),
          Field.new(name: "plate_volts", label: "Volts", kind: "voltage", group: "Nameplate"),
          (Field.new(name: "plate_watts", label: "Watts", kind: "power", group: "Nameplate") if family == "ec"),
          (
            if %w[three_phase split_phase].include?(family)
              Field.new(name: "service_factor", label: "Service factor", group: "Nameplate")
            end
          )
        ].compact
      end

      def reading_fields
        legs = three_phase? ? LEGS.zip(["Leg a", "Leg b", "Leg c"]) : [%w[amps Display]]
        legs.map { |name, words| Field.new(name:, label: words, kind: "current", group: "Reading") } +
          [
            Field.new(name: "turns", label: "Turns in the jaw", unit: "×", group: "Reading"),
            Field.new(name: "volts", label: "Voltage", kind: "voltage", group: "Reading"),
            (Field.new(name: "watts", label: "Watts", kind: "power", group: "Reading") if family == "ec"),
            Field.new(
              name: "turning",
              label: "Does it turn?",
              options: {
                "yes" => "Turns",
                "no" => "Stands still"
              },
              group: "Reading"
            )
          ].compact
      end

      def known
        {"turns" => "1", "family" => "shaded_pole", "turning" => seen_turning}
      end

      # What was seen of it last, on the job that is open.
      def seen_turning
        seen = fan && job.answer_to("fan_motion", fan.key)
        {true => "yes", false => "no"}[Fenbo::Diagnosis::Test["fan_motion"].turning?(seen&.outcome)]
      end

      # How this fan's amps compare with its neighbours', once some of them were read.
      def beside
        said = fan && Fenbo::Electrical::Bank.new(job, limits: Shop.limits)
          .beside(fan, Fenbo::Electrical::Bank.mean(result), result.verdict)
        said ? {"amps_beside_neighbours" => said} : {}
      end

      def question
        {
          "motor" => motor,
          "reading" => {
            "amps" => currents,
            "volts" => [figure("volts")].compact.presence,
            "watts" => (figure("watts") if family == "ec"),
            "turns" => turns,
            "meter" => user.meter_for_core
          }.compact
        }
      end

      def motor
        turning = {"yes" => true, "no" => false}[value("turning")]
        unless fan
          return (
            {
              "family" => family,
              "nameplate_amps" => figure("plate_amps"),
              "nameplate_volts" => figure("plate_volts"),
              "nameplate_watts" => (figure("plate_watts") if family == "ec"),
              "service_factor" => (number("service_factor") if three_phase? || family == "split_phase"),
              "turning" => turning
            }
          )
        end
        faults["plate"] ||= NO_PLATE if plate.nil?
        Fenbo::Electrical::Plate.new(plate, site_volts).question(turning:)
      end

      def currents
        names = three_phase? ? LEGS : LEGS.first(1)
        names.map { |name| figure(name, required: true) }.tap do |amps|
          names.zip(amps).each { |name, one| ask_milliamps(name, one) if one }
        end
      end

      # A bare number a hundred times the plate is most often a display in milliamps.
      def ask_milliamps(name, amps)
        plate_amps = fan ? plate&.amps_at(site_volts) : figure("plate_amps")
        typed = value(name).to_s.strip
        return unless plate_amps && Fenbo::Quantities.number(typed) &&
          amps / turns.to_i.clamp(1, 20) >= plate_amps * Shop.limits["amps.milliamps"]
        faults[name] ||= "#{typed} A on a plate of #{tidy(plate_amps)} A: milliamps? Write “#{typed} mA”, or " \
          "“#{typed} A” if it really is."
      end

      def turns
        text = value("turns").to_s.strip
        return text.to_i if text.match?(/\A\d{1,2}\z/) && text.to_i.between?(1, 20)
        return 1 if text.empty?
        faults["turns"] ||= "A whole number of turns from 1 to 20."
        nil
      end

      def voltage_finding
        supply = Fenbo::Electrical::AmpsQuestion.read(Fenbo::Input.new(asked), Shop.limits).supply
        supply.known? ? {"voltage_at_motor" => supply.finding} : {}
      end

      def error_words(leg)
        meter = user.meter_for_core
        "#{meter["percent"]} % × #{tidy(leg.amps)} + #{meter["counts"]} × #{meter["resolution"]} ÷ #{turns}"
      end

      NO_PLATE = "nothing is noted of it, so amps say nothing yet. Note what can be read, or a twin fan's; what is " \
        "typed here waits."

      PLACES = {
        "reading.turns" => "turns",
        "reading.watts" => "watts",
        "motor.family" => "family",
        "motor.nameplate_amps" => "plate_amps",
        "motor.nameplate_volts" => "plate_volts",
        "motor.nameplate_watts" => "plate_watts",
        "motor.service_factor" => "service_factor"
      }.freeze

      def field_of(path)
        return "volts" if path.start_with?("reading.volts")
        return LEGS[path[/\d\z/].to_i] if path.start_with?("reading.amps")
        return "plate" if fan && path.start_with?("motor.")
        PLACES.fetch(path, "amps")
      end
    end
  end
end
