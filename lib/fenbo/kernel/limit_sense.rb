# frozen_string_literal: true

module Fenbo
  # Whether a shop's own limits make sense, each by itself and all of them together; the
  # order they have to keep is in knowledge/limit_order.yml.
  #
  #   LimitSense.new("amps.window_low" => 1.4).faults
  #   #=> {"amps.window_low" => "must be at most 1.1, where “Over this a fan motor is …” begins"}
  class LimitSense
    # Counted things: whole, and at least one.
    COUNTED = %w[readings turns jobs days months].freeze
    # What cannot be more than the whole, by unit.
    WHOLE = {"share" => 1, "weight" => 1, "%" => 100}.freeze
    # So many times the trade's figure, or as small a part of it, is a slip of the finger.
    FURTHEST = 100

    # @param own [Hash{String => Float}] known names only
    def initialize(own)
      @own = own
      @limits = Limits.default.with(own)
    end

    # @return [Hash{String => String}] what is wrong, by the limit's name
    def faults
      alone = @own.to_h { |name, value| [name, fault_of(name, value)] }.compact
      alone.merge(out_of_order) { |_, first, _| first }
    end

    private

    def fault_of(name, value)
      usual, unit = Limits.entries[name]["value"], Limits.entries[name]["unit"]
      return "cannot be below nothing" if value.negative? && !usual.negative?
      return "must be above nothing" if value.zero? && usual.positive? && !WHOLE.key?(unit)
      return "must be a whole number" if COUNTED.include?(unit) && value != value.round
      most = WHOLE[unit]
      return "cannot be more than #{most}" if most && value > most && usual <= most
      "is too far from the usual #{Quantities.tidy(usual)} to be meant" if far?(value, usual)
    end

    def far?(value, usual)
      return false if usual.zero? || value.zero?
      !(value / usual).abs.between?(1.0 / FURTHEST, FURTHEST)
    end

    # Told at a limit that was moved, of two that stand the wrong way round.
    def out_of_order
      pairs.reject { |low, high| Tolerance.at_most?(@limits[low], @limits[high]) }.to_h do |low, high|
        if @own.key?(high)
          [high, "must be at least #{tidy(low)}, up to where “#{@limits.text(low)}” reaches"]
        else
          [low, "must be at most #{tidy(high)}, where “#{@limits.text(high)}” begins"]
        end
      end
    end

    def pairs
      Knowledge.table("limit_order").flat_map { |chain| chain.each_cons(2).to_a }
        .select { |pair| pair.any? { |name| @own.key?(name) } }
    end

    def tidy(name) = Quantities.tidy(@limits[name])
  end
end
