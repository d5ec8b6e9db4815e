# frozen_string_literal: true

module Fenbo
  module Proof
    # What a cleaning did, and whether the unit soils faster than it is cleaned.
    #
    # in:  parts cleaned, before and after (level of dirt, 0 clean … 4 closed), method,
    #      minutes, earlier [{days_ago, before}], the unit's cleanings before this one
    # out: removed (levels), repeat_offender, interval_days offered (null: none)
    # verdict: clean, better, unchanged. Source: company/cleaning.
    class Cleaning < Tool
      PARTS = %w[coil condenser blade guard filter drain pan].freeze
      LEVELS = (0..4)
      LEVEL_WORDS = {0 => "clean", 1 => "thin film", 2 => "dirty", 3 => "thick", 4 => "closed"}.freeze
      # Found dirty so often within the interval, it is no chance any more.
      REPEATED = 2
      WEEK = 7
      LONGEST = 300
      Question = Value.of(:parts, :before, :after, :method, :minutes, :earlier)
      Earlier = Value.of(:days_ago, :before)

      def self.read(input, _limits)
        parts = input.list("parts") || []
        strange = parts - PARTS
        input.fault("parts", "#{strange.join(", ")} is none of #{PARTS.join(", ")}") if strange.any?
        input.fault("parts", "names nothing that was cleaned") if parts.empty? && input.given?("parts")
        Question.new(parts:, before: level(input, "before"), after: level(input, "after"),
          method: input.text("method", required: false, longest: LONGEST),
          minutes: input.number("minutes", required: false, at_least: 0),
          earlier: input.objects("earlier", required: false).map { |row|
            Earlier.new(days_ago: row.number("days_ago", at_least: 0), before: level(row, "before"))
          })
      end

      def self.level(input, key)
        input.integer(key, at_least: LEVELS.first, at_most: LEVELS.last)
      end

      def answer
        Result.new(verdict:, figures: {removed:, repeat_offender: repeats.size >= REPEATED, interval_days:}, reasons:)
      end

      private

      def removed = question.before - question.after

      def verdict
        return "clean" if question.after.zero?
        removed.positive? ? "better" : "unchanged"
      end

      # Days between a cleaning and the one before it, where it was dirty again too soon.
      def repeats
        @repeats ||= gaps.filter_map do |days, level|
          days if level >= limits["cleaning.dirty_level"] && days <= limits["cleaning.interval_days"]
        end
      end

      def gaps
        rows = [Earlier.new(days_ago: 0, before: question.before), *question.earlier.sort_by(&:days_ago)]
        rows.each_cons(2).map { |later, earlier| [earlier.days_ago - later.days_ago, later.before] }
      end

      # Whole weeks, shorter than it took to get dirty.
      def interval_days
        return nil if repeats.size < REPEATED
        mean = repeats.sum / repeats.size.to_f
        [(mean * limits["cleaning.shorter"] / WEEK).floor, 1].max * WEEK
      end

      def reasons
        words = [question.before, question.after].map { |level| LEVEL_WORDS[level] }
        [
          reason("#{question.parts.join(", ").capitalize}: #{words.join(" before, ")} after", "cleaning.level",
            value: question.after, source: "company/cleaning"),
          (repeat_reason if interval_days)
        ].compact
      end

      def repeat_reason
        reason("Dirty again within #{limits["cleaning.interval_days"].round} days #{repeats.size} times: " \
          "a repeat offender, better every #{interval_days / WEEK} weeks", "cleaning.repeat",
          limit: limits["cleaning.interval_days"], value: repeats.max, source: "company/cleaning")
      end
    end
  end
end
