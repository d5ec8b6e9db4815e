# frozen_string_literal: true

module Fenbo
  module Sourcing
    # When a site lets somebody in, as its people write it: "Mon to Fri 07:00 to 18:00; Sat 8-12".
    # What is not understood as days and hours ("May to October", "ring first") closes nothing.
    SiteHours = Value.of(:spans) do
      minutes_a_day = 24 * 60
      names = %w[mon tue wed thu fri sat sun]
      day = "(?:#{names.join("|")})[a-z]*"
      between = /\s*(?:to|-|–)\s*/i
      time = /\d{1,2}(?:[:.]\d\d)?\s*(?:am|pm)?/i
      days = /daily|every day|#{day}(?:\s*(?:to|and|[-–,&])\s*#{day})*/i
      span = /(?<days>#{days})?:?\s*(?<from>#{time})#{between}(?<to>#{time})/i

      # @param text [String, nil]
      # @return [SiteHours, nil] nil where it is not understood
      define_singleton_method(:read) do |text|
        return nil if text.to_s.gsub(span, "").match?(/[^\s;,.]/)
        spans = text.to_s.to_enum(:scan, span).map { read_span(Regexp.last_match) }
        new(spans:) if spans.any? && spans.all?
      end

      define_singleton_method(:read_span) do |match|
        from, to = [match[:from], match[:to]].map { |one| minute(one) }
        on = days(match[:days])
        WorkHours.new(days: on, from:, to:) if on && from && to && from < to
      end

      define_singleton_method(:minute) do |text|
        hour, minute, half = text.match(/(\d+)(?:[:.](\d\d))?\s*(am|pm)?/i).captures
        hour = hour.to_i
        return nil if minute.to_i > 59 || (half && !hour.between?(1, 12))
        hour = (hour % 12) + ((half.downcase == "pm") ? 12 : 0) if half
        at = hour * 60 + minute.to_i
        at if at <= minutes_a_day
      end

      # 1 is Monday; a range may go over Sunday. Nil for one of three ends.
      define_singleton_method(:days) do |text|
        return (1..7).to_a if text.nil? || text.match?(/\A(?:daily|every)/i)
        parts = text.downcase.split(/,|&|\band\b/).map { |part|
          part.split(between).map { |one| names.index(one.strip[0, 3]) }
        }
        return nil if parts.any? { |ends| ends.size > 2 }
        parts.flat_map { |first, last|
          last ? (0..(last - first) % 7).map { |ahead| (first + ahead) % 7 + 1 } : [first + 1]
        }.uniq
      end
      private_class_method :read_span, :minute, :days

      # @return [Boolean] false as well where the text is not understood
      define_singleton_method(:closed?) do |text, start, finish|
        hours = read(text)
        !hours.nil? && !hours.open?(start, finish)
      end

      # So often is the next opening tried: two weeks of three a day.
      tries = 42

      # The first time, from `from` on, that finds the site open for so long and that the block
      # leaves as it is: it moves a time to one that suits besides. `from` as the block moves it
      # where there is none.
      # @param seconds [Numeric]
      # @return [Time]
      define_method(:next_open) do |from, seconds, &suiting|
        at = suiting.call(from)
        tries.times do
          break unless at
          return at if open?(at, at + seconds)
          at = opening_after(at)&.then(&suiting)
        end
        suiting.call(from)
      end

      # Whether a visit from one time to another finds the site open all along.
      # @param start [Time] local, without zone
      def open?(start, finish)
        spans.any? { |hours| hours.minutes_outside(start, finish).zero? }
      end

      private

      def opening_after(time)
        spans.filter_map { |hours| hours.next_open(hours.open?(time) ? hours.closes(time) : time) }.min
      end
    end
  end
end
