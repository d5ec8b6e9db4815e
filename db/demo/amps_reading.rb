# frozen_string_literal: true

module Demo
  # A clamp reading as the technician's own meter shows it, judged by the core, and what it
  # tells of its fan.
  class AmpsReading
    def initialize(job, visit, position, technician, motor: position.motor_now)
      @about = {job:, visit:, fan_position: position, user: technician}
      @motor = motor
      @site = position.unit.supply_volts
    end

    # Kept, and told as a finding of its fan's.
    def take(legs, at:, turns: 3, turning: true, watts: nil)
      reading = keep(legs, at:, turns:, turning:, watts:)
      return unless Fenbo::Diagnosis::Test["amps"].outcomes.include?(reading.verdict)
      Finding.create!(**@about, **told(at), test: "amps", outcome: reading.verdict, reading:)
    end

    # @param legs [Array<Float>] what the display shows, A, around `turns` turns
    def keep(legs, at:, turns: 3, turning: true, watts: nil, phase: "before")
      question = {"motor" => motor(turning), "reading" => display(legs, turns, watts)}
      result = Fenbo.call(:amps, question)
      raise ArgumentError, result.to_h.inspect if result.refused?
      Reading.create!(**@about, **told(at), kind: "amps", phase:, typed: {}, question:, result: result.as_json,
        verdict: result.verdict, meter:)
    end

    private

    def told(at) = {client_id: SecureRandom.uuid, taken_at: at}

    def meter = @about[:user].meter_for_core

    def motor(turning)
      {
        "family" => @motor.family,
        "nameplate_amps" => @motor.amps_at(@site),
        "nameplate_volts" => @motor.volts_at(@site),
        "nameplate_watts" => @motor.watts,
        "service_factor" => @motor.service_factor,
        "turning" => turning
      }
    end

    def display(legs, turns, watts)
      volts = [(@site * (0.99 + (@about[:fan_position].id % 3) * 0.006)).round]
      {"amps" => legs, "volts" => volts, "watts" => watts, "turns" => turns, "meter" => meter}.compact
    end
  end
end
