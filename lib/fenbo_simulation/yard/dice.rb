# frozen_string_literal: true

module FenboSimulation
  module Yard
    # Draws of the yard, from one seeded generator.
    class Dice
      def initialize(random)
        @random = random
      end

      def chance?(share) = @random.rand < share

      def between(low, high) = low + (high - low) * @random.rand

      # One key of a table of weights.
      def pick(weights)
        at = @random.rand * weights.values.sum
        weights.each { |key, weight| return key if (at -= weight).negative? }
        weights.keys.last
      end

      def among(list) = list[(@random.rand * list.size).to_i]
    end
  end
end
