# frozen_string_literal: true

module Shared
  # Reads a form: every field by its kind, every fault kept at its field, nothing
  # lost. The form is shown again with `params` as they were typed.
  class Typed
    attr_reader :faults

    def initialize(params, system: "si")
      @params = params
      @system = system
      @faults = {}
    end

    def clean? = faults.empty?

    def text(name, longest: 2000, required: nil)
      value = @params[name].to_s.strip
      return fault(name, "is longer than #{longest} characters.") if value.size > longest
      return fault(name, required) if required && value.empty?
      value.presence
    end

    # In SI, or nil when left empty.
    def quantity(name, kind, required: false)
      value = @params[name].to_s
      return nil if value.strip.empty? && !required
      reading = Fenbo::Quantities.read(value, kind, system: @system)
      reading.ok? ? reading.value : fault(name, reading.fault)
    end

    # "1 250.50" or "1250,5" to cents.
    def cents(name)
      value = @params[name].to_s.delete(" \u00a0'").delete(Setting.read("currency"))
      return nil if value.empty?
      return fault(name, "An amount like “1250.50”, please.") unless value.match?(/\A\d{1,9}([.,]\d{1,2})?\z/)
      (value.tr(",", ".").to_r * 100).round
    end

    def whole(name, range, required: false)
      value = @params[name].to_s.strip
      return (required ? fault(name, "A whole number, please.") : nil) if value.empty?
      unless value.match?(/\A-?\d{1,9}\z/) && range.cover?(value.to_i)
        return fault(name, "A whole number from #{range.first} to #{range.last}.")
      end
      value.to_i
    end

    # A plain number with point or comma.
    def number(name, range)
      value = @params[name].to_s.strip.tr(",", ".")
      return nil if value.empty?
      return value.to_f if value.match?(/\A\d{1,9}(\.\d{1,6})?\z/) && range.cover?(value.to_f)
      fault(name, "A number from #{range.first} to #{range.last}.")
    end

    def choice(name, allowed, required: nil)
      value = @params[name].to_s
      return value if allowed.include?(value)
      fault(name, required || "Choose one of the answers.") if required || !value.empty?
    end

    def flag(name) = @params[name].to_s == "1"

    # A local date and time as the browser's field sends it.
    def time(name)
      value = @params[name].to_s.strip
      return nil if value.empty?
      parsed = DateTime.strptime(value[0, 16], "%Y-%m-%dT%H:%M")
      Time.local(parsed.year, parsed.month, parsed.day, parsed.hour, parsed.minute)
    rescue Date::Error
      fault(name, "A date and time, please.")
    end

    def fault(name, message)
      @faults[name.to_s] ||= message
      nil
    end
  end
end
