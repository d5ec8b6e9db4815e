# frozen_string_literal: true

module Api
  # The door a meter sends its readings through, line by line:
  #
  #   time;quantity;value;unit[;leg]
  #   2031-05-05T15:20:01.5Z;amps;0.61;A
  #   2031-05-05T15:20:01.5Z;volts;462;V;a
  #
  # quantity amps, volts or watts, leg a, b or c or left out. A heading line is passed
  # over. docs/formats.md describes it.
  class MeterDoor
    UNITS = {"amps" => "current", "volts" => "voltage", "watts" => "power"}.freeze
    MOST_LINES = 2000
    LONGEST = 200
    # Readings this close together (share of their median) count as steady.
    STEADY = 0.02

    attr_reader :faults

    def initialize(user, source:)
      @user = user
      @source = source.to_s.strip[0, 60].presence || "a meter"
      @faults = []
    end

    # All or nothing; false when a line is not understood.
    def take(text)
      lines = text.to_s.scrub.lines.map(&:strip).reject(&:empty?)
      @faults << ["", "more than #{MOST_LINES} lines at once"] if lines.size > MOST_LINES
      rows = lines.first(MOST_LINES).each_with_index.filter_map { |line, index| row(line, index) }
      @faults << ["", "no line to read"] if rows.empty? && @faults.empty?
      return false if @faults.any?
      MeterLine.sweep if rand(50).zero?
      MeterLine.insert_all!(rows)
      true
    end

    # The last reading of each quantity and leg, and the median of the last few.
    def self.latest(user)
      lines = MeterLine.where(user:).fresh.order(:created_at, :id).to_a
      groups = lines.group_by { |line| [line.quantity, line.leg] }.transform_values { |all| all.last(7) }
      {
        source: lines.last&.source,
        steady: steady_words(groups),
        lines: groups.map { |(quantity, leg), all| line_of(quantity, leg, all) }
      }
    end

    def self.line_of(quantity, leg, lines)
      digits = (quantity == "amps") ? 3 : 1
      {
        quantity:,
        leg:,
        shown: Fenbo::Quantities.tidy(lines.last.value.round(digits)),
        median: Fenbo::Quantities.tidy(Fenbo::Statistics.median(lines.map(&:value)).round(digits))
      }
    end
    private_class_method :line_of

    def self.spread_of(values)
      median = Fenbo::Statistics.median(values)
      median.zero? ? 0.0 : (values.max - values.min) / median
    end

    def self.steady_words(groups)
      spread = groups.values.map { |lines| spread_of(lines.map(&:value)) }.max
      return "" if spread.nil?
      (spread <= 2 * STEADY) ? "steady" : "still moving, ±#{(spread * 50).round} %"
    end

    private

    def row(line, index)
      return fault(index, "is longer than #{LONGEST} characters") if line.size > LONGEST
      time, quantity, value, unit, leg = line.split(/[;\t]/).map(&:strip)
      return nil if index.zero? && time.to_s.casecmp?("time")
      at = read_time(time) or return fault(index, "starts with no time such as 2031-05-05T15:20:01Z")
      return fault(index, "names no quantity; use amps, volts or watts") unless UNITS.key?(quantity)
      reading = Fenbo::Quantities.read("#{value} #{unit}", UNITS[quantity])
      return fault(index, reading.fault) unless reading.ok?
      return fault(index, "names no leg; use a, b, c or leave it out") unless [nil, "", "a", "b", "c"].include?(leg)
      {
        user_id: @user.id,
        taken_at: at,
        quantity:,
        leg: leg.presence,
        value: reading.value,
        source: @source,
        created_at: Time.now
      }
    end

    def read_time(text)
      Time.iso8601(text.to_s)
    rescue ArgumentError
      nil
    end

    def fault(index, message)
      @faults << ["line.#{index + 1}", message]
      nil
    end
  end
end
