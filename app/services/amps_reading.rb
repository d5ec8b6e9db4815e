# frozen_string_literal: true

module Services
  # Turns what was typed at the clamp meter into a question for `amps`, asks it,
  # and keeps reading and finding.
  class AmpsReading
    FIELDS = {"amps" => "current", "amps_b" => "current", "amps_c" => "current", "volts" => "voltage", "watts" => "power"}.freeze

    attr_reader :faults, :result

    # @param typed [Hash] as the form sent it
    def initialize(job, position, user, typed)
      @job = job
      @position = position
      @user = user
      @typed = typed
      @faults = {}
    end

    # Asks the core; false when something typed cannot be understood.
    def ask
      question
      return false if faults.any?
      @result = Fenbo::Tools.call("amps", question, limits: Shop.limits)
      @result.faults.each { |fault| faults[field_of(fault.field)] ||= fault.message } if @result.refused?
      faults.empty?
    end

    # Keeps the reading and, before the repair, the finding it amounts to.
    def keep(client_id:, phase:, visit:)
      Reading.transaction do
        reading = Reading.record(client_id:, job: @job, visit:, fan_position: @position, user: @user, kind: "amps", phase:,
          typed: kept_typed, question:, result: result.to_h.as_json, verdict: result.verdict, meter: @user.meter_for_core)
        keep_finding(reading, visit) if phase == "before"
        reading
      end
    end

    private

    # A reading that cannot tell, or cannot be judged by amps, is no outcome.
    def keep_finding(reading, visit)
      return unless Fenbo::Diagnosis::Test["amps"].outcomes.include?(reading.verdict) && reading.finding.nil?
      Finding.record(client_id: SecureRandom.uuid, job: @job, visit:, fan_position: @position, user: @user,
        test: "amps", outcome: reading.verdict, reading:)
    end

    def kept_typed = @typed.slice(*FIELDS.keys, "turns", "turning")

    def question
      @question ||= {
        "motor" => motor,
        "reading" => {"amps" => currents, "volts" => volts, "watts" => read("watts"), "turns" => turns,
                      "meter" => @user.meter_for_core}.compact
      }
    end

    def motor
      plate = @position.motor_now
      site = @job.unit.supply_volts
      {
        "family" => plate&.family, "nameplate_amps" => plate&.amps_at(site), "nameplate_volts" => plate&.volts_at(site),
        "nameplate_watts" => plate&.watts, "service_factor" => plate&.service_factor,
        "service_factor_amps" => plate&.service_factor_amps, "locked_rotor_amps" => plate&.locked_rotor_amps,
        "turning" => {"yes" => true, "no" => false}[@typed["turning"]]
      }
    end

    def three_phase? = @position.motor_now&.family == "three_phase"

    def currents
      keys = three_phase? ? %w[amps amps_b amps_c] : %w[amps]
      keys.map { |key| read(key, required: true) }
    end

    def volts
      value = read("volts")
      value && [value]
    end

    def turns
      text = @typed["turns"].to_s.strip
      return 1 if text.empty?
      return text.to_i if text.match?(/\A\d{1,2}\z/) && text.to_i.between?(1, 20)
      faults["turns"] = "A whole number of turns from 1 to 20."
      nil
    end

    def read(key, required: false)
      text = @typed[key].to_s
      return nil if text.strip.empty? && !required
      reading = Fenbo::Quantities.read(text, FIELDS.fetch(key))
      faults[key] = reading.fault unless reading.ok?
      reading.value
    end

    # Where a fault of the core belongs on the form.
    def field_of(field)
      return "turns" if field == "reading.turns"
      return "volts" if field.start_with?("reading.volts")
      return "watts" if field == "reading.watts"
      field.start_with?("motor.") ? "plate" : "amps"
    end
  end
end
