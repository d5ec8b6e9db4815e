# frozen_string_literal: true

module Fenbo
  module Electrical
    # What the kinds of motor share: their readings of pairs and how they say what they found.
    class WindingKind
      def initialize(question, limits)
        @ohms = question.ohms
        @open = question.open
        @pairs = Windings::PAIRS.fetch(question.kind)
        @limits = limits
      end

      private

      def measured = @ohms.keys + @open

      def missing = @pairs - measured

      def found(verdict, rule, text, pairs: [], spread: WindingPattern.spread(@ohms.values))
        WindingPattern.new(verdict:, rule:, text:, pairs:, spread_percent: spread)
      end

      def incomplete
        found(
          "incomplete",
          "winding.incomplete",
          "Not enough to tell: measure #{missing.map { |pair| name(pair) }.join(" and ")} too"
        )
      end

      def name(pair) = pair.upcase.chars.join("–")

      def names(pairs) = pairs.map { |pair| name(pair) }.join(" and ")
    end
  end
end
