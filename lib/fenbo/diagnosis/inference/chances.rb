# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Distributions over the outcomes of a test, as plain arrays in the test's
    # order. Each sums to one.
    module Chances
      module_function

      # Fills a partial picture up to one: what is left goes to the outcomes it
      # does not name, in proportion to `usual`.
      # @param shown [Hash] outcome => chance, summing to at most one
      def fill(shown, outcomes, usual)
        left = 1.0 - shown.values.sum
        open = outcomes.each_index.reject { |index| shown.key?(outcomes[index]) }
        weight = open.sum { |index| usual[index] }
        outcomes.each_with_index.map do |outcome, index|
          shown.fetch(outcome) { weight.zero? ? 0.0 : left * usual[index] / weight }
        end
      end

      # Noisy maximum: the chance that the last of several independent outcomes,
      # in the test's order, is each one. P(max ≤ k) = Π P(x ≤ k)
      def maximum(distributions)
        return distributions.first if distributions.one?
        below = 0.0
        running = Array.new(distributions.size, 0.0)
        distributions.first.each_index.map do |k|
          distributions.each_with_index { |chances, i| running[i] += chances[k] }
          upto = running.inject(:*)
          (upto - below).tap { below = upto }
        end
      end

      # Where several outcomes are there at once and any one of them may be named, as of two
      # sounds: how often the kth is, by up to three that may show one.
      #   Σ pᵢ(k) · E[1 ÷ (1 + how many of the others show one)]
      # Each row holds its chances and, last, their sum.
      def any(k, one, two = nil, three = nil)
        return one[k] unless two
        third = three ? three.last : 0.0
        sum = one[k] * share(two.last, third) + two[k] * share(one.last, third)
        three ? sum + three[k] * share(one.last, two.last) : sum
      end

      def share(one, other)
        1.0 - (one + other) / 2 + one * other / 3
      end

      def mix(one, other, share)
        one.each_index.map { |k| share * one[k] + (1.0 - share) * other[k] }
      end
    end
  end
end
