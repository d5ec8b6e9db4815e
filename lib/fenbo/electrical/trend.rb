# frozen_string_literal: true

module Fenbo
  module Electrical
    # A fan's amps over the years: do they creep?
    #
    # in:  readings: [{day, amps, error}], day counted from any day, amps of the highest leg,
    #      error of the meter there in A (nil: 0)
    # out: verdict rising | falling | steady | cannot_tell | too_early, share_per_year of the
    #      first reading (nil while too early) and what of it the meters explain, watch
    # Source: docs/sources.md, proof/handover.
    class Trend < Tool
      Question = Value.of(:days, :amps, :errors)
      YEAR = 365.25

      def self.read(input, _limits)
        rows =
          input
            .objects("readings")
            .map do |row|
              [
                row.number("day", at_least: -1_000_000, at_most: 1_000_000),
                row.number("amps", above: 0, at_most: MOST_AMPS),
                row.number("error", required: false, at_least: 0, at_most: MOST_AMPS) || 0.0
              ]
            end
        Question.new(days: rows.map(&:first), amps: rows.map { |row| row[1] }, errors: rows.map(&:last))
      end

      def answer
        Result.new(verdict:, reasons: [why],
          figures: {share_per_year: share&.round(4), meters_share: meters_share&.round(4), watch: watch?})
      end

      def verdict
        return "too_early" if too_early?
        return "steady" if Tolerance.below?(share.abs, limits["trend.worth_saying"])
        return "cannot_tell" if within_error?
        share.positive? ? "rising" : "falling"
      end

      private

      # Change of amps a year by least squares, as a share of the first.
      def share
        @share ||= Statistics.line(years, question.amps).last / question.amps.first unless too_early?
      end

      # What of it the meters' errors alone can make.
      def meters_share
        @meters_share ||= Statistics.slope_error(years, question.errors) / question.amps.first unless too_early?
      end

      def years = question.days.map { |day| day / YEAR }

      def within_error? = !Tolerance.above?(share.abs, meters_share)

      def too_early?
        question.days.size < limits["trend.least_readings"] || span < limits["trend.least_days"]
      end

      def span
        question.days.empty? ? 0 : question.days.max - question.days.min
      end

      def watch?
        !too_early? && !within_error? && Tolerance.above?(share, limits["trend.watch"])
      end

      def why
        return early_reason if too_early?
        text = "#{percent(share.abs)} a year #{share.positive? ? "more" : "less"}"
        text += ", which the meters' errors alone can make (#{percent(meters_share)})" if verdict == "cannot_tell"
        limit_reason("#{text}#{": watch it" if watch?}", watch? ? "trend.watch" : "trend.worth_saying",
          value: share.round(4))
      end

      def early_reason
        limit_reason("#{question.days.size} readings over #{span.round} days make no trend", "trend.least_readings",
          value: question.days.size)
      end

      def percent(share) = "#{(share * 100).round(1)} %"
    end
  end
end
