# frozen_string_literal: true

module Fenbo
  module Electrical
    # The one of three legs that is not as the others: lost, or high and, once the leads were
    # rolled, the supply's or the motor's.
    class OddLeg
      LEGS = %w[a b c].freeze
      # The voltage that stays whole, ab, bc or ca, and the line that is dead then.
      DEAD_LINES = %w[c a b].freeze

      # @param question [Phases::Question]
      def initialize(question, limits)
        @volts = question.volts
        @amps = question.amps
        @rolled = question.rolled_amps
        @limits = limits
      end

      # @return [String, nil] a, b or c
      def lost = @lost ||= lost_by_amps || lost_by_volts

      # @return [String, nil] supply, motor or unclear; nil where nothing was rolled
      def follows
        return nil unless @rolled && @amps
        before, after = high(@amps), high(@rolled)
        return "unclear" if before.nil? || after.nil?
        return "supply" if after == before
        (after == (before + 1) % 3) ? "motor" : "unclear"
      end

      private

      # Index of the leg that stands out above the mean; nil where none does.
      def high(values)
        return nil if Tolerance.at_most?(Electrical.unbalance_percent(values), @limits["balance.amps_good"])
        values.each_index.max_by { |index| values[index] }.then { |index| index if values.count(values[index]) == 1 }
      end

      def lost_by_amps
        return nil unless @amps
        dead = LEGS.each_index.select { |index| @amps[index] <= @limits["balance.lost_leg"] * @amps.max }
        LEGS[dead.first] if @amps.max.positive? && dead.one?
      end

      # A dead line takes both of its voltages with it; the third stays whole.
      def lost_by_volts
        return nil unless @volts&.max&.positive?
        whole = @volts.each_index.select { |index| @volts[index] > @limits["balance.lost_volts"] * @volts.max }
        DEAD_LINES[whole.first] if whole.one?
      end
    end
  end
end
