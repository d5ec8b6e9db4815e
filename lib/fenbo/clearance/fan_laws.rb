# frozen_string_literal: true

module Fenbo
  module Clearance
    # What another speed, diameter or pitch does to air, pressure and shaft power.
    #
    #   air ∝ N·D³, pressure ∝ N²·D², power ∝ N³·D⁵ · pitch
    #
    # in:  from and to {rpm, diameter_mm, pitch_deg}; what is null on either side is
    #      taken as unchanged; watts at the shaft now, motor_watts the motor can give
    # out: verdict within | overloads (nil without watts), air_ratio, pressure_ratio,
    #      power_ratio, watts
    # Source: docs/sources.md, motors/fan-laws.
    class FanLaws < Tool
      Ratios = Value.of(:speed, :diameter, :pitch, :watts, :motor_watts)
      LARGEST = {"rpm" => 100_000, "diameter_mm" => 10_000, "pitch_deg" => 90}.freeze

      def self.read(input, _limits)
        sides =
          %w[from to].map do |side|
            input
              .object(side)
              .then do |fan|
                LARGEST.to_h { |name, most| [name, fan.number(name, required: name == "rpm", above: 0, at_most: most)] }
              end
          end
        ratio = ->(name) { sides.map { |side| side[name] }.then { |from, to| (from && to) ? to / from.to_f : 1.0 } }
        Ratios.new(
          speed: ratio["rpm"],
          diameter: ratio["diameter_mm"],
          pitch: ratio["pitch_deg"],
          watts: input.number("watts", required: false, at_least: 0),
          motor_watts: input.number("motor_watts", required: false, above: 0)
        )
      end

      def answer
        Result.new(
          verdict:,
          figures: {
            air_ratio: air.round(3),
            pressure_ratio: pressure.round(3),
            power_ratio: power.round(3),
            watts: watts&.round(2)
          },
          reasons:
        )
      end

      def air = question.speed * question.diameter**3

      def pressure = question.speed**2 * question.diameter**2

      def power = question.speed**3 * question.diameter**5 * question.pitch

      def watts = question.watts && question.watts * power

      def verdict
        return nil unless watts && question.motor_watts
        Tolerance.above?(watts, question.motor_watts) ? "overloads" : "within"
      end

      private

      def reasons = [laws, load, rough].compact

      def laws
        reason(
          "Air becomes #{share(air)}, pressure #{share(pressure)} and shaft power #{share(power)} of what they were",
          "fan_laws",
          value: power.round(3),
          source: "motors/fan-laws"
        )
      end

      def load
        return nil unless verdict
        text = "#{watts.round(1)} W at the shaft, #{Quantities.tidy(question.motor_watts)} W from the motor"
        reason(
          (verdict == "within") ? "#{text}: within it" : "#{text}: the blade overloads it",
          "fan_laws.load",
          limit: question.motor_watts,
          value: watts.round(2),
          source: "motors/fan-laws"
        )
      end

      # The pitch's part is a straight line only near where it starts.
      def rough
        far = limits["fan_laws.pitch_change"]
        return nil if Tolerance.between?(question.pitch, 1 - far, 1 + far)
        limit_reason(
          "The pitch changes by more than a small step: take the power as a rough figure and measure the amps",
          "fan_laws.pitch_change",
          value: (question.pitch - 1).round(3)
        )
      end

      def share(ratio) = "#{(ratio * 100).round} %"
    end
  end
end
