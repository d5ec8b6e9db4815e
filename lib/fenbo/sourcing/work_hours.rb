# frozen_string_literal: true

require "time"

module Fenbo
  module Sourcing
    # A week of opening or working hours; days are 1 (Monday) to 7. Times are
    # local and carry no zone.
    WorkHours = Value.of(:days, :from, :to) do
      # The longest gap looked over: a shop that opens less often is closed.
      longest_gap_days = 15

      define_singleton_method(:read) do |input|
        days = input.numbers("days", at_least: 1, at_most: 7) || []
        input.fault("days", "must name at least one day") if days.empty? && input.raw("days").is_a?(Array)
        from, to = %w[from to].map { |key| minutes_of_day(input, key) }
        input.fault("to", "must be later than from") if from && to && to <= from
        new(days: days.map(&:to_i), from:, to:)
      end

      define_singleton_method(:minutes_of_day) do |input, key, required: true|
        text = input.text(key, required:) or next nil
        match = /\A([01]\d|2[0-3]):([0-5]\d)\z/.match(text)
        match ? match[1].to_i * 60 + match[2].to_i : input.fault(key, "must be a time of day like 07:30")
      end

      def open?(time)
        working_day?(time) && minute(time).between?(from, to - 1)
      end

      def working_day?(time) = days.include?((time.wday + 6) % 7 + 1)

      def closes(time) = at(time, to)

      # `time` itself when open, else the next opening.
      define_method(:next_open) do |time|
        next time if open?(time)
        (0..longest_gap_days).each do |ahead|
          opening = at(time + ahead * 86_400, from)
          return opening if working_day?(opening) && opening >= time
        end
        nil
      end

      # The day `count` working days after the day of `time`, at `minute_of_day`.
      def working_days_after(time, count, minute_of_day)
        day = time
        count.times do
          day += 86_400
          day += 86_400 until working_day?(day)
        end
        at(day, minute_of_day)
      end

      # Whole minutes of [start, finish] that lie outside these hours.
      def minutes_outside(start, finish)
        (0...((finish - start) / 60).round).count { |minute| !open?(start + minute * 60) }
      end

      def at(time, minute_of_day)
        Time.utc(time.year, time.month, time.day, minute_of_day / 60, minute_of_day % 60)
      end

      private

      def minute(time) = time.hour * 60 + time.min
    end
  end
end
