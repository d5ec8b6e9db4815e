# frozen_string_literal: true

require "time"

module Fenbo
  module Sourcing
    # A week of opening or working hours; days are 1 (Monday) to 7, `closed` the dates of
    # holidays. Times are local and carry no zone.
    WorkHours = Value.of(:days, :from, :to, closed: []) do
      # The longest gap looked over: a shop that opens less often is closed.
      longest_gap_days = 15

      define_singleton_method(:read) do |input|
        days = input.numbers("days", at_least: 1, at_most: 7) || []
        input.fault("days", "must name at least one day") if days.empty? && input.raw("days").is_a?(Array)
        from, to = %w[from to].map { |key| minutes_of_day(input, key) }
        input.fault("to", "must be later than from") if from && to && to <= from
        new(days: days.map(&:to_i), from:, to:, closed: dates(input, "closed"))
      end

      define_singleton_method(:dates) do |input, key|
        list = input.raw(key) || []
        known = list.is_a?(Array) ? list.map { |one| Date.strptime(one.to_s, "%Y-%m-%d") } : nil
        known || input.fault(key, "must be a list of dates like 2031-12-25") || []
      rescue Date::Error
        input.fault(key, "must be dates like 2031-12-25")
        []
      end

      define_singleton_method(:minutes_of_day) do |input, key, required: true|
        text = input.text(key, required:) or next nil
        match = /\A([01]\d|2[0-3]):([0-5]\d)\z/.match(text)
        match ? match[1].to_i * 60 + match[2].to_i : input.fault(key, "must be a time of day like 07:30")
      end

      def open?(time)
        working_day?(time) && minute(time).between?(from, to - 1)
      end

      def working_day?(time)
        days.include?((time.wday + 6) % 7 + 1) && !closed.include?(time.to_date)
      end

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
      define_method(:working_days_after) do |time, count, minute_of_day|
        day = time
        count.times do
          ahead = (1..longest_gap_days).map { |days| day + days * 86_400 }
          day = ahead.find { |one| working_day?(one) } || ahead.last
        end
        at(day, minute_of_day)
      end

      # Whole minutes of [start, finish] that lie outside these hours.
      def minutes_outside(start, finish)
        inside = (0..(finish.to_date - start.to_date).to_i).sum do |days|
          day = start + days * 86_400
          next 0 unless working_day?(day)
          [[finish, at(day, to)].min - [start, at(day, from)].max, 0].max
        end
        ((finish - start - inside) / 60).round
      end

      def at(time, minute_of_day)
        Time.utc(time.year, time.month, time.day, minute_of_day / 60, minute_of_day % 60)
      end

      private

      def minute(time) = time.hour * 60 + time.min
    end
  end
end
