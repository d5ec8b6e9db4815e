# frozen_string_literal: true

module Fenbo
  module Matching
    # Which listed parts can take the place of one that is no motor.
    #
    # in:  kind (spares.yml), old {the kind's columns, as far as known}, site {wet,
    #      flammable}, parts [{part_no, the columns, flammable_ok, sealed, price_cents,
    #      landed_cents, available_hours}]
    # out: as `match`: candidates [{part_no, grade, compare, checks, extra_work, extra_minutes}],
    #      rejected [{part_no, checks}], verdict the best part number or "none"
    # Source: company/parts.
    class SpareMatch < Tool
      Question = Value.of(:kind, :old, :wet, :flammable, :parts)
      MOST = 20_000
      LONGEST = 60
      # A figure of no column comes near this.
      MOST_FIGURE = 1_000_000

      def self.read(input, _limits)
        kind = input.choice("kind", SpareKind.all.keys)
        site = input.object("site", required: false)
        columns = kind ? SpareKind[kind].columns : {}
        Question.new(kind: kind && SpareKind[kind], old: values(input.object("old", required: false), columns),
          wet: site.flag("wet", default: false), flammable: site.flag("flammable", default: false),
          parts: input.objects("parts", at_most: MOST).map { |row| part(row, columns) })
      end

      def self.part(row, columns)
        values(row, columns).merge(
          "part_no" => row.text("part_no", longest: LONGEST), "sealed" => row.flag("sealed"),
          "flammable_ok" => row.flag("flammable_ok"), "price_cents" => row.number("price_cents", required: false),
          "landed_cents" => row.number("landed_cents", required: false),
          "available_hours" => row.number("available_hours", required: false),
          "obtainable" => row.flag("obtainable", default: true)
        )
      end

      def self.values(row, columns)
        columns.to_h { |name, column| [name, value(row, name, column)] }.compact
      end

      def self.value(row, name, column)
        return row.choice(name, column["choices"], required: false) if column["choices"]
        row.number(name, required: false, at_least: -MOST_FIGURE, at_most: MOST_FIGURE)
      end

      def answer
        Result.new(verdict: candidates.first&.part_no || "none",
          figures: {candidates: candidates.map(&:to_h),
                    rejected: rejected.map { |one| {part_no: one.part_no, checks: one.failing.map(&:to_h)} }},
          reasons:)
      end

      def candidates
        @candidates ||= judged.reject(&:rejected?).sort_by(&:rank)
      end

      def rejected
        @rejected ||= judged.select(&:rejected?).sort_by { |one| [one.failing.size, one.part_no.to_s] }
      end

      private

      def judged
        @judged ||= question.parts.map do |part|
          checks = SpareChecks.new(question, part, limits)
          SpareJudged.new(part:, lines: checks.lines, compare: checks.unknown)
        end
      end

      def reasons
        best = candidates.first
        return [none] unless best
        [reason("#{best.part_no} #{best.words}", "spare.best", source: "company/parts"),
          (reason(question.kind.check, "spare.check", source: "company/parts") if question.kind.check)].compact
      end

      def none
        reason("None of #{question.parts.size} listed passes every check", "spare.none", source: "company/parts")
      end
    end
  end
end
