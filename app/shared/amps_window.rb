# frozen_string_literal: true

module Shared
  # The window a fan's amps will be judged by, before anything is read.
  module AmpsWindow
    module_function

    # @return [Hash, nil] "low" and "high" in amps, as the core would give them
    def of(position)
      motor = position.motor_now or return nil
      nameplate = motor.amps_at(position.unit.supply_volts)
      return nil if nameplate.nil? || motor.family == "ec"
      legs = [nameplate] * ((motor.family == "three_phase") ? 3 : 1)
      question = {
        "motor" => {
          "family" => motor.family,
          "nameplate_amps" => nameplate,
          "service_factor" => motor.service_factor,
          "service_factor_amps" => motor.service_factor_amps
        },
        "reading" => {
          "amps" => legs
        }
      }
      Fenbo::Tools.call("amps", question, limits: Shop.limits)[:window].transform_keys(&:to_s)
    end
  end
end
