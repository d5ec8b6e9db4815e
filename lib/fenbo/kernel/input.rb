# frozen_string_literal: true

module Fenbo
  # Reads a plain Hash (parsed JSON) field by field and collects every fault on
  # the way. A reader returns nil for a field that is absent or wrong, so the
  # caller reads everything first and asks `clean?` once.
  #
  #   input = Input.new({"motor" => {"family" => "psc"}})
  #   motor = input.object("motor")
  #   motor.choice("family", %w[psc ec])       #=> "psc"
  #   motor.number("nameplate_amps", above: 0) #=> nil, and a fault at motor.nameplate_amps
  #   input.refusal                            #=> Refusal
  class Input
    # No figure of the trade is larger; a smaller one is nothing. Beyond them arithmetic
    # overflows.
    LARGEST = 1e12
    VANISHING = 1e-30

    attr_reader :path

    def initialize(raw, path: "", faults: [])
      @path = path
      @faults = faults
      @raw = raw.is_a?(Hash) ? raw : {}
      fault(nil, "must be an object with named fields") unless raw.is_a?(Hash)
    end

    def clean? = @faults.empty?

    def refusal = Refusal.new(@faults)

    def given?(key) = !@raw[key].nil?

    def raw(key) = @raw[key]

    def keys = @raw.keys

    # Notes what is wrong at `key` (nil: this object itself).
    def fault(key, message)
      @faults << [place(key), message]
      nil
    end

    # A nested object; an absent optional one reads as empty.
    def object(key, required: true)
      value = @raw[key]
      return Input.new({}, path: place(key), faults: @faults) if value.nil? && !required
      return missing(key) || Input.new({}, path: place(key), faults: []) if value.nil?
      Input.new(value, path: place(key), faults: @faults)
    end

    # A reader over a value that came from elsewhere, its faults noted under `key`.
    def nested(value, key) = Input.new(value, path: place(key), faults: @faults)

    # A list of objects as readers.
    def objects(key, required: true, at_most: 10_000)
      list(key, required:, at_most:).each_with_index.map do |value, index|
        Input.new(value, path: "#{place(key)}.#{index}", faults: @faults)
      end
    end

    def number(key, required: true, **range)
      value = @raw[key]
      return required ? missing(key) : nil if value.nil?
      checked(key, value, **range)
    end

    # A list of numbers; `sizes` are the lengths that make sense.
    def numbers(key, sizes: nil, required: true, **range)
      values = list(key, required:, at_most: 100_000)
      return nil if @raw[key].nil? || !@raw[key].is_a?(Array)
      right_size = sizes.nil? || sizes.include?(values.size)
      unless right_size
        fault(key, "needs #{sizes.join(" or ")} #{(sizes == [1]) ? "value" : "values"}, not #{values.size}")
      end
      read = values.each_with_index.map { |value, index| checked("#{key}.#{index}", value, **range) }
      read if right_size && !read.include?(nil)
    end

    def integer(key, required: true, **range)
      value = number(key, required:, **range)
      return value if value.nil?
      return fault(key, "must be a whole number") unless value == value.floor
      value.to_i
    end

    def flag(key, default: nil)
      value = @raw[key]
      return default if value.nil?
      return value if [true, false].include?(value)
      fault(key, "must be true or false")
    end

    def choice(key, allowed, required: true)
      value = @raw[key]
      return required ? missing(key) : nil if value.nil?
      return value if allowed.include?(value)
      fault(key, "is not known here; use one of #{allowed.join(", ")}")
    end

    def text(key, required: true, longest: 2_000)
      value = @raw[key]
      return required ? missing(key) : nil if value.nil?
      return fault(key, "must be text") unless value.is_a?(String)
      return fault(key, "is longer than #{longest} characters") if value.size > longest
      return missing(key) if required && value.strip.empty?
      value
    end

    # Raw members of a list.
    def list(key, required: true, at_most: 10_000)
      value = @raw[key]
      if value.nil?
        missing(key) if required
        return []
      end
      return fault(key, "must be a list") || [] unless value.is_a?(Array)
      return fault(key, "has more than #{at_most} entries") || [] if value.size > at_most
      value
    end

    private

    def missing(key) = fault(key, "is missing")

    def place(key)
      return path if key.nil?
      path.empty? ? key.to_s : "#{path}.#{key}"
    end

    def checked(key, value, above: nil, at_least: nil, at_most: nil)
      return fault(key, "must be a number") unless real?(value)
      value = 0 if value.abs < VANISHING
      return fault(key, "must be above #{above}") if above && value <= above
      return fault(key, "is too large to mean anything") if value.abs > LARGEST
      return fault(key, "must be at least #{at_least}") if at_least && value < at_least
      return fault(key, "must be at most #{at_most}") if at_most && value > at_most
      value
    end

    def real?(value)
      (value.is_a?(Integer) || value.is_a?(Float)) && value.to_f.finite?
    end
  end
end
