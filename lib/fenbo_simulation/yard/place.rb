# frozen_string_literal: true

module FenboSimulation
  module Yard
    # What stands in the yard: a unit, the fan one stands before and those beside it.
    Place =
      Struct.new(:family, :side, :motor, :neighbours, :age, :recent_work, :hours, keyword_init: true) do
        # One row a kind of place: how often called, motors met, fans beside this one.
        kinds = [
          [%w[household_top_freezer evaporator], 7, %w[ec shaded_pole ec], [0]],
          [%w[household_bottom_freezer evaporator], 8, %w[ec ec shaded_pole], [0]],
          [%w[household_side_by_side evaporator], 8, %w[ec shaded_pole], [0]],
          [%w[household_machine_bay condenser], 7, %w[shaded_pole ec psc], [0]],
          [%w[reach_in evaporator], 11, %w[shaded_pole shaded_pole ec], [0, 0, 1]],
          [%w[reach_in condenser], 8, %w[shaded_pole ec], [0]],
          [%w[display_case evaporator], 9, %w[ec shaded_pole], [1, 2, 3]],
          [%w[display_case condenser], 6, %w[shaded_pole shaded_pole ec], [0, 1]],
          [%w[walk_in_cooler evaporator], 18, %w[shaded_pole psc ec shaded_pole], [0, 1, 1, 2, 3, 5]],
          [%w[remote_condenser condenser], 11, %w[psc psc three_phase split_phase], [0, 1]],
          [%w[fan_bank_condenser condenser], 8, %w[three_phase], [1, 3, 5, 7]],
          [%w[rack_condenser condenser], 5, %w[ec], [3, 5]]
        ].freeze
        define_singleton_method(:drawn) do |dice|
          at = dice.pick(kinds.each_index.to_h { |index| [index, kinds[index][1]] })
          (family, side), _, motors, beside = kinds[at]
          new(
            family:, side:, motor: dice.among(motors), neighbours: dice.among(beside),
            age: dice.between(0.3, 18).round(1), recent_work: dice.chance?(0.1),
            hours: dice.pick(3 => 3, 14 => 4, 50 => 3)
          )
        end

        def household? = family.start_with?("household")

        def one_piece?
          household? || %w[reach_in display_case].include?(family)
        end

        def cold? = side == "evaporator"

        def roof?
          %w[remote_condenser fan_bank_condenser rack_condenser].include?(family)
        end

        def contactor?
          %w[walk_in_cooler remote_condenser fan_bank_condenser].include?(family)
        end

        def three_phase? = motor == "three_phase"

        def wound? = motor != "ec"

        def old? = age > 9
      end
  end
end
