# frozen_string_literal: true

require "time"

module Shared
  # Temperatures against time as people and loggers write them: a line each, minute or
  # clock time or full date first, temperature after it, parted by comma, semicolon,
  # tab or spaces. A logger's CSV with a heading is read by LoggerTable; a line that is not
  # understood is named. docs/formats.md describes it.
  class LoggerFile
    CLOCK = /\A(\d{1,2}):(\d{2})(?::(\d{2}))?\z/
    STAMP = /\A\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}/

    attr_reader :rows, :fault

    # @param text [String]
    # @param system [String] whose degrees a bare number is in
    # @param most [Integer] lines that are read
    def initialize(text, system:, most:)
      @system = system
      lines = text.to_s.scrub.lines.map(&:strip).reject(&:empty?)
      @fault = "More than #{most} lines: leave out what came before the repair." if lines.size > most
      @rows = @fault ? [] : read(lines, LoggerTable.of(lines, system:))
    end

    private

    def read(lines, table)
      return table.rows.tap { @fault = table.fault } if table
      parsed = lines.each_with_index.filter_map { |line, index| parse(line, index) }
      start = parsed.first&.first || 0
      parsed.map { |minute, c| {"minute" => (@clocked ? minute - start : minute).round(3), "c" => c} }
    end

    def parse(line, index)
      time, temperature = split(line)
      minute = minute_of(time)
      c = Fenbo::Quantities.read(temperature.to_s, "box_temperature", system: @system)
      return minute, c.value if minute && c.ok?
      # Words without a figure on the first line are a heading.
      return nil if index.zero? && !line.match?(/\d/)
      @fault ||= "Line #{index + 1}, “#{line[0, 40]}”, is not understood. Write it like “14:05  9,7” or “20; 8.0”."
      nil
    end

    # The first part is the time; a date and a clock time may be parted by a space.
    def split(line)
      return [] if line.size > LoggerTable::LONGEST
      return line.split(/[;\t]/, 2).map(&:strip) if line.match?(/[;\t]/)
      return $1, $2 if line =~ /\A(\d{4}-\d{2}-\d{2}[T ][\d:.]+Z?)[\s,]+(.+)\z/
      line.split(/\s*,\s+|\s+|,(?=\s*-?\d+\.)|,/, 2)
    end

    def minute_of(text)
      case text.to_s
      when CLOCK
        clocked($1.to_i * 60 + $2.to_i + $3.to_i / 60.0)
      when STAMP
        clocked(Time.parse(text).to_f / 60)
      when /\A\d{1,7}([.,]\d{1,3})?\z/
        Fenbo::Quantities.number(text)
      end
    rescue ArgumentError
      nil
    end

    # A clock that goes back has passed midnight.
    def clocked(minute)
      @clocked = true
      minute += 1440 while @before && minute < @before && minute < 1440 * 3
      @before = minute
    end
  end
end
