# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # What is measured at a step, as it should come out: `value` give or take `within`, in the
    # measure's unit.
    Sought = Value.of(:what, :value, :within) do
      # By how much it is off; nil where it is as it should be or nobody measured.
      def off(measured)
        by = measured && measured - value
        by if by && by.abs > within
      end
    end
  end
end
