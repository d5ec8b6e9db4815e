# frozen_string_literal: true

module Fenbo
  module Electrical
    # A fan's amps over the years: do they creep?
    #
    # in:  readings: [{day, amps}], day counted from any day, amps of the highest leg
    # out: verdict rising | falling | steady | too_early, share_per_year of the first
    #      reading (nil while too early), watch
    # Source: docs/sources.md, proof/handover.
    class Trend < Tool
      Question = Value.of(:days, :amps)
      YEAR = 365.25

      def self.read(input, _limits)
        rows =
          input
            .objects("readings")
            .map do |row|
              [
                row.number("day", at_least: -1_000_000, at_most: 1_000_000),
                row.number("amps", above: 0, at_most: MOST_AMPS)
              ]
            end
        Question.new(days: rows.map(&:first), amps: rows.map(&:last))
      end

      def answer
        Result.new(verdict:, figures: {share_per_year: share&.round(4), watch: watch?}, reasons: [why])
      end

      def verdict
        return "too_early" if too_early?
        return "steady" if Tolerance.below?(share.abs, limits["trend.worth_saying"])
        share.positive? ? "rising" : "falling"
      end

      private

      # Change of amps a year by least squares, as a share of the first.
      def share
        unless too_early?
          @share ||=
            Statistics.line(question.days.map { |day| day / YEAR }, question.amps).last /
            question.amps.first
        end
      end

      def too_early?
        question.days.size < limits["trend.least_readings"] || span < limits["trend.least_days"]
      end

      def span
        question.days.empty? ? 0 : question.days.max - question.days.min
      end

      def watch? = !too_early? && Tolerance.above?(share, limits["trend.watch"])

      def why
        if too_early?
          return (
            limit_reason(
              "#{question.days.size} readings over #{span.round} days make no trend",
              "trend.least_readings",
              value: question.days.size
            )
          )
        end
        text = "#{(share.abs * 100).round(1)} % a year #{share.positive? ? "more" : "less"}#{": watch it" if watch?}"
        limit_reason(text, watch? ? "trend.watch" : "trend.worth_saying", value: share.round(4))
      end
    end
  end
end
