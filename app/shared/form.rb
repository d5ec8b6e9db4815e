# frozen_string_literal: true

require "active_model"

module Shared
  # A form as it was typed: every field read by its kind, every fault kept at its field,
  # nothing lost. The page is shown again with `params` as they came. A form that only
  # reads a field or two is used as it is; the others are subclasses with what they keep.
  class Form
    LONGEST_TEXT = 2000
    MOST_DATES = 100
    # More than this no column holds, and no such job is.
    MOST_CENTS = 2_000_000_000

    attr_reader :params, :errors

    def initialize(params, system: "si")
      @params = params
      @system = system
      @errors = ActiveModel::Errors.new(self)
    end

    def clean? = errors.empty?

    # @return [Hash{String => String}] the first fault of each field
    def faults
      errors.group_by { |error| error.attribute.to_s }.transform_values { |all| all.first.message }
    end

    def text(name, longest: LONGEST_TEXT, required: nil)
      value = typed(name)
      return fault(name, "is longer than #{longest} characters.") if value.size > longest
      return fault(name, required) if required && value.empty?
      value.presence
    end

    # In SI, or nil when left empty. A field is shown rounded: where nobody changed it, it means
    # what was kept, and keeping a page again changes nothing.
    # @param was [Float, nil] what is kept, in SI
    def quantity(name, kind, required: false, was: nil)
      return nil if typed(name).empty? && !required
      return was if was && typed(name) == Fenbo::Quantities.typed(was, kind, @system)
      reading = Fenbo::Quantities.read(params[name].to_s, kind, system: @system)
      reading.ok? ? reading.value : fault(name, reading.fault)
    end

    # Thousands set apart, where the decimals leave no doubt about which mark does it.
    GROUPED = {"," => /\A\d{1,3}(,\d{3})+\.\d{1,2}\z/, "." => /\A\d{1,3}(\.\d{3})+,\d{1,2}\z/}.freeze

    # "1 250.50", "1,250.50" or "1250,5" to cents.
    def cents(name)
      value = params[name].to_s.delete(" \u00a0'").delete_suffix(Shop.symbol).delete_prefix(Shop.symbol)
      GROUPED.each { |mark, shape| value = value.delete(mark) if value.match?(shape) }
      return nil if value.empty?
      unless value.match?(/\A\d{1,12}([.,]\d{1,2})?\z/)
        return fault(name, "An amount from 0 up, with at most two decimals: “1250.50”.")
      end
      cents = (value.tr(",", ".").to_r * 100).round
      (cents > MOST_CENTS) ? fault(name, "At most #{Shop.money(MOST_CENTS)}.") : cents
    end

    def whole(name, range, required: false)
      value = typed(name)
      return (required ? fault(name, "A whole number, please.") : nil) if value.empty?
      return value.to_i if value.match?(/\A-?\d{1,9}\z/) && range.cover?(value.to_i)
      fault(name, "A whole number from #{range.first} to #{range.last}.")
    end

    # A plain number with point or comma.
    def number(name, range)
      return nil if typed(name).empty?
      value = Fenbo::Quantities.number(typed(name))
      return value if value && range.cover?(value)
      fault(name, "A number from #{range.first} to #{range.last}.")
    end

    def choice(name, allowed, required: nil)
      value = params[name].to_s
      return value if allowed.include?(value)
      fault(name, required || "Choose one of the answers.") if required || !value.empty?
    end

    def flag(name) = params[name].to_s == "1"

    # A local date and time as the browser's field sends it.
    def time(name)
      return nil if typed(name).empty?
      parsed = DateTime.strptime(typed(name)[0, 16], "%Y-%m-%dT%H:%M")
      Time.local(parsed.year, parsed.month, parsed.day, parsed.hour, parsed.minute)
    rescue Date::Error
      fault(name, "A date and time, please.")
    end

    # A time of day as the browser's field sends it, "07:30".
    def clock(name, required: false)
      return nil if typed(name).empty? && !required
      typed(name).match?(/\A([01]\d|2[0-3]):[0-5]\d\z/) ? typed(name) : fault(name, "A time like 07:30.")
    end

    # Days of the week that were ticked, and from when to when.
    # @return [Hash] as the core reads opening hours; days are 1 (Monday) to 7
    def opening_hours(days, from, to)
      ticked = Array(params[days]).select { |day| Words::DAYS.key?(day) }.map(&:to_i)
      fault(days, "On which days? Tick one at least.") if ticked.empty?
      opens, closes = clock(from, required: true), clock(to, required: true)
      fault(to, "Later than the first, please.") if opens && closes && closes <= opens
      {"days" => ticked, "from" => opens, "to" => closes}
    end

    # Dates, one a line, as ISO writes them.
    # @return [Array<String>]
    def dates(name)
      typed(name).split(/[\s,;]+/).first(MOST_DATES).map do |text|
        Date.strptime(text, "%Y-%m-%d").iso8601
      rescue Date::Error
        fault(name, "“#{text[0, 20]}” is no date like 2031-12-25.")
      end.compact
    end

    # @return [nil] so that a reader can end with it
    def fault(name, message)
      errors.add(name.to_sym, message)
      nil
    end

    private

    def typed(name) = params[name].to_s.strip

    # The id of a row as a list sends it; nil where it is none.
    def id(name) = params[name].to_s[/\A\d{1,9}\z/]

    # The version the form was opened on, where it came along.
    def lock
      id(:lock_version) ? {lock_version: params[:lock_version].to_i} : {}
    end

    # What the record itself has against its values, at the fields they were typed in.
    # @param fields [Hash{Symbol => Symbol}] where a column's field has another name
    def adopt(record, fields = {})
      record.validate
      record.errors.each { |error| fault(fields.fetch(error.attribute, error.attribute), error.message) }
    end
  end
end
