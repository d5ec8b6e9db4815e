# frozen_string_literal: true

# Ways to choose the next test in an Errand.
module Strategies
  # What Fenbo offers first.
  class Offered
    def next_test(result, _errand)
      row = result[:next_tests].first
      row && Fenbo::Diagnosis::Test[row[:test]]
    end
  end

  # The usual order, whatever was found: look, then live, then made safe.
  class CheckList
    ORDER = %w[box_temperature compartments setting fan_motion noise airflow water_present frost_pattern load_blocking_air door_seal condenser_face
      blade_state blade_cleanliness discharge_air_difference sight_glass motor_heat coil_through_light
      control_call door_switch_held voltage_at_motor voltage_balance amps terminal_temperature amps_beside_neighbours forced_defrost
      spin_by_hand shaft_play hub_grip mount_check connector_look winding_ohms insulation capacitor contactor_look nameplate_check drain_check damper_check defrost_heater_ohms].freeze

    def next_test(_result, errand)
      ORDER.lazy.map { |id| Fenbo::Diagnosis::Test[id] }.find { |test| errand.may?(test) }
    end
  end

  # A given sequence, then nothing.
  class Sequence
    def initialize(tests)
      @tests = tests.dup
    end

    def next_test(_result, errand)
      while (test = @tests.shift)
        return test if errand.may?(test)
      end
    end
  end
end
