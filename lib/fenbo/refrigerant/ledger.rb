# frozen_string_literal: true

require "date"

module Fenbo
  module Refrigerant
    # What a circuit took and gave, and how fast it leaks.
    #
    #   added = before − after, recovered = after − before   cylinder weights, kg
    #   annual rate % = 100 × added ÷ full × 365 ÷ days since the addition before
    #
    # in:  full_charge_kg, moves [{on, kind added | recovered, before_kg, after_kg}],
    #      warn_percent
    # out: verdict within | over | no_history, added_kg, recovered_kg and
    #      last_addition {kg, share, days, annual_rate_percent}
    # Several cylinders on one day are one addition; a first one counts as a year's.
    # Source: docs/sources.md, proof/refrigerant.
    class Ledger < Tool
      Question = Value.of(:full_charge_kg, :moves, :warn_percent)
      Move = Value.of(:on, :kind, :kg)
      HEAVIEST_KG = 100_000
      DATE = /\A\d{4}-\d{2}-\d{2}\z/

      class << self
        def read(input, limits)
          Question.new(
            full_charge_kg: input.number("full_charge_kg", above: 0, at_most: HEAVIEST_KG),
            moves: input.objects("moves").map { |row| read_move(row) },
            warn_percent:
              input.number("warn_percent", required: false, above: 0, at_most: 1000) || limits["refrigerant.warn"]
          )
        end

        private

        def read_move(row)
          kind = row.choice("kind", %w[added recovered])
          before, after =
            row.number("before_kg", at_least: 0, at_most: HEAVIEST_KG),
            row.number("after_kg", at_least: 0, at_most: HEAVIEST_KG)
          Move.new(on: read_date(row), kind:, kg: weight(row, kind, before, after))
        end

        def weight(row, kind, before, after)
          return nil unless kind && before && after
          kg = (kind == "added") ? before - after : after - before
          return kg unless kg.negative?
          row.fault(
            "after_kg",
            (
              if kind == "added"
                "is heavier than before: nothing was added from it"
              else
                "is lighter than before: nothing was recovered into it"
              end
            )
          )
        end

        def read_date(row)
          text = row.text("on", longest: 10) or return nil
          return row.fault("on", "must be a date like 2031-02-01") unless text.match?(DATE)
          Date.iso8601(text)
        rescue Date::Error
          row.fault("on", "is no day of the calendar")
        end
      end

      def answer
        Result.new(
          verdict:,
          figures: {
            added_kg: sum("added"),
            recovered_kg: sum("recovered"),
            last_addition:
          },
          reasons:
        )
      end

      def verdict
        return "no_history" if additions.empty?
        Tolerance.above?(rate, question.warn_percent) ? "over" : "within"
      end

      # [[day, kg]], one a day, oldest first.
      def additions
        @additions ||=
          question
            .moves
            .select { |move| move.kind == "added" && move.kg.positive? }
            .group_by(&:on)
            .transform_values { |list| list.sum(&:kg) }
            .sort
      end

      def days
        return longest_days if additions.size < 2
        [(additions[-1].first - additions[-2].first).to_i, longest_days].min
      end

      def longest_days = [limits["refrigerant.longest_days"].floor, 1].max

      def share = additions.last.last / question.full_charge_kg.to_f

      def rate = 100.0 * share * 365 / days

      private

      def sum(kind)
        question.moves.select { |move| move.kind == kind }.sum(0.0, &:kg).round(3)
      end

      def last_addition
        return nil if additions.empty?
        {
          kg: additions.last.last.round(3),
          share: share.round(4),
          days:,
          annual_rate_percent: rate.round(2),
          on: additions.last.first.iso8601
        }
      end

      def reasons
        if additions.empty?
          return [
            reason(
              "Nothing was added yet, so there is no leak rate",
              "refrigerant.no_history",
              source: "proof/refrigerant"
            )
          ]
        end
        [added_reason, verdict_reason, law_reason]
      end

      def added_reason
        since = (additions.size < 2) ? "the first addition, counted over a year" : "#{days} days after the one before"
        reason(
          "#{Quantities.tidy(additions.last.last.round(3))} kg of " \
          "#{Quantities.tidy(question.full_charge_kg)} kg, #{since}",
          "refrigerant.share",
          value: share.round(4),
          source: "proof/refrigerant"
        )
      end

      def verdict_reason
        text =
          "That makes #{rate.round(1)} % a year, " \
          "#{(verdict == "over") ? "over the warning: find the leak and prove it mended" : "not over the warning"}"
        Reason.new(
          text:,
          rule: "refrigerant.warn",
          limit: question.warn_percent,
          value: rate.round(2),
          source: limits.source("refrigerant.warn")
        )
      end

      def law_reason
        reason(
          "Adding and recovering is for licensed people, and the limit that counts is local law's",
          "refrigerant.law",
          source: "work/hazards"
        )
      end
    end
  end
end
