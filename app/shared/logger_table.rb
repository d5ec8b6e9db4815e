# frozen_string_literal: true

require "csv"
require "time"

module Shared
  # A logger's CSV with a heading line: whatever stands before it is passed over, its columns
  # are found by their words, and separator, decimal comma, order of the date and degrees
  # (°C or °F, as the heading says) by what stands in them.
  class LoggerTable
    TEMPERATURE = /temp|celsius|fahrenheit|°\s?[cf]\b|\A[cf]\z/i
    STAMP = /date.*time|time\s?stamp|\Adatetime/i
    DATE = /\bdate\b|\bday\b|\bdatum\b/i
    CLOCK = /\btime\b|\bclock\b|\buhr|\bzeit\b/i
    MINUTES = /elapsed|\bmin(ute)?s?\b/i
    # A heading comes early or not at all.
    PREAMBLE = 40
    MOST_LEFT_OUT = 0.2
    # No logger writes a longer line, and a longer one is not looked at.
    LONGEST = 2_000
    LONGEST_NAME = 80

    attr_reader :fault

    # @return [LoggerTable, nil] nil where no line names a temperature column and a time
    def self.of(lines, system:)
      lines.first(PREAMBLE).each_with_index do |line, index|
        next if line.size > LONGEST
        separator = [";", "\t", ","].max_by { |one| line.count(one) }
        columns = columns(cells(line, separator)) or next
        return new(lines.drop(index + 1), index + 1, separator, columns, system)
      end
      nil
    end

    # None where quotes that nobody closed make no cells of it.
    def self.cells(line, separator)
      CSV.parse_line(line, col_sep: separator, liberal_parsing: true).to_a
    rescue CSV::MalformedCSVError
      []
    end

    # Where what stands; nil where it is no heading.
    def self.columns(names)
      names = names.map { |name| name.to_s[0, LONGEST_NAME] }
      find = ->(*words) { names.index { |name| words.all? { |word| name.to_s.match?(word) } } }
      temperature = names.index { |name| name.to_s.match?(TEMPERATURE) && !name.to_s.match?(/\A\s*-?\d/) } or return
      time = {stamp: find[STAMP], date: find[DATE], clock: find[CLOCK], minutes: find[MINUTES]}.compact
      return if time.empty? || names.size < 2
      {temperature:, degrees: degrees(names[temperature]), **time}
    end

    def self.degrees(name)
      return "us" if name.match?(/fahrenheit|°\s?f|[(\[]\s?f|\bf\z/i)
      "si" if name.match?(/celsius|°\s?c|[(\[]\s?c|\bc\z/i)
    end
    private_class_method :cells, :columns, :degrees

    def initialize(lines, skipped, separator, columns, system)
      @lines = lines
      @skipped = skipped
      @separator = separator
      @columns = columns
      @system = columns[:degrees] || system
    end

    # Minutes from the first reading, °C. A cell without a figure is a gap of the logger's.
    # @return [Array<Hash>]
    def rows
      taken = @lines.each_with_index.filter_map { |line, index| row(cells(line), index) }
      @fault ||= gaps_fault(taken)
      start = taken.first&.first
      taken.map { |at, c| {"minute" => (at - start).round(3), "c" => c} }
    end

    private

    def cells(line) = self.class.send(:cells, line, @separator)

    def row(cells, index)
      figure = cells[@columns[:temperature]].to_s.strip
      return nil unless figure.match?(/\d/)
      at = minute(cells)
      c = Fenbo::Quantities.read(figure, "box_temperature", system: @system)
      return [at, c.value] if at && c.ok?
      @fault ||= "Line #{@skipped + index + 1}, “#{@lines[index][0, 40]}”, is not understood."
      nil
    end

    def gaps_fault(taken)
      return "Its heading is understood, but no line below it." if taken.empty?
      return if taken.size >= @lines.size * (1 - MOST_LEFT_OUT)
      "#{@lines.size - taken.size} of #{@lines.size} lines have no temperature."
    end

    def minute(cells)
      return Fenbo::Quantities.number(cells[@columns[:minutes]].to_s.strip) if only_minutes?
      text = @columns[:stamp] ? cells[@columns[:stamp]] : cells.values_at(*@columns.values_at(:date,
        :clock).compact).join(" ")
      moment(text.to_s.strip)&.fdiv(60)
    end

    def only_minutes?
      @columns[:minutes] && !@columns.key?(:stamp) && !@columns.key?(:clock)
    end

    DAY = %r{(\d{1,2})[./-](\d{1,2})[./-](\d{2,4})[ T,]+}
    HOURS = /(\d{1,2}):(\d\d)(?::(\d\d))?\s*([ap]m)?/i

    # "2031-05-05 14:00", "05.05.2031 14:00:30", "05/05/2031 02:00:00 PM", or a clock alone.
    def moment(text)
      return Time.parse("#{text} UTC").to_f if text.match?(/\A\d{4}-\d\d-\d\d/)
      match = text.match(/\A(?:#{DAY})?#{HOURS}/o) or return
      day(*match.values_at(1, 2, 3)) + clock(*match.values_at(4, 5, 6, 7))
    rescue ArgumentError
      nil
    end

    def day(first, second, year)
      return 0 unless first
      month, day = month_first? ? [first, second] : [second, first]
      Time.utc(year.to_i + ((year.size == 2) ? 2000 : 0), month.to_i, day.to_i).to_f
    end

    def clock(hour, minute, second, half)
      hour = hour.to_i
      hour = hour % 12 + ((half.downcase == "pm") ? 12 : 0) if half
      at = hour * 3600 + minute.to_i * 60 + second.to_i
      return at if @columns[:date] || @columns[:stamp]
      at += 86_400 while @before && at < @before
      @before = at
    end

    # Where a figure over 12 tells the day, by that; else am and pm are written where the month
    # comes first.
    def month_first?
      return @month_first if defined?(@month_first)
      dates = @lines.filter_map { |line| line[%r{\b(\d{1,2})[./-](\d{1,2})[./-]\d{2,4}}] && [$1.to_i, $2.to_i] }
      return @month_first = false if dates.any? { |first, _| first > 12 }
      @month_first = dates.any? { |_, second| second > 12 } || @lines.any? { |line| line.match?(/\d\s*[ap]m\b/i) }
    end
  end
end
