# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # What is measured at a step, as it should come out: `value` give or take `within`, in the
    # measure's unit. The hub at the seat that was chosen, else where the old one sat; a new
    # capacitor at what the plate says; a new heater at V² / W; a drain tube clear of its pan.
    Sought =
      Value.of(:what, :value, :within) do
        # @param step [Step]
        # @param plan [Progress]
        # @return [Sought, nil] nil where nothing says
        define_singleton_method(:at) do |step, plan, limits|
          what = step.measure&.fetch("what", nil)
          value = value_of(what, step, plan, limits) or return
          new(what:, value:, within: within(what, value, limits))
        end

        define_singleton_method(:value_of) do |what, step, plan, limits|
          case what
          when "new_seat" then plan.chosen_seat(step)&.seat_mm || plan.measured("blade_depth")
          when "capacitor" then plan.plate&.capacitor_uf
          when "heater_ohms" then plan.parts.choices.filter_map { |one| ohms(one.spare&.columns.to_h) }.first
          when "drain_gap" then limits["drain.gap"]
          end
        end

        define_singleton_method(:ohms) do |heater|
          volts, watts = heater.values_at("volts", "watts")
          volts**2 / watts if volts && watts&.positive?
        end

        define_singleton_method(:within) do |what, value, limits|
          case what
          when "new_seat" then limits["fit.tolerance"]
          when "capacitor" then value * limits["capacitor.tolerance"] / 100.0
          when "heater_ohms" then value * limits["spares.watts"]
          when "drain_gap" then limits["drain.gap_within"]
          end
        end

        # By how much it is off; nil where it is as it should be or nobody measured.
        def off(measured)
          by = measured && measured - value
          by if by && by.abs > within
        end
      end
  end
end
