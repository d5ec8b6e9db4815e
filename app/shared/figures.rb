# frozen_string_literal: true

module Shared
  # Figures with their units, as the reader prefers them; times and money.
  module Figures
    def units = current_user&.unit_system || "si"

    def show(value, kind, digits: nil)
      Fenbo::Quantities.show(value, kind, units, digits:)
    end

    # A sentence of the core's, its figures as the reader prefers them.
    def in_own_units(text) = text && Fenbo::Retold.sentence(text, units)

    # A stored figure as it would be typed, for a form.
    def typed(value, kind)
      value.nil? ? nil : Fenbo::Quantities.typed(value, kind, units)
    end

    def unit_of(kind) = Fenbo::Quantities.unit(kind, units)

    def money(cents) = Shop.money(cents)

    def clock(time) = time && Shop.local(time).strftime("%H:%M")

    # A time as a browser's field holds it.
    def field_time(time) = time && Shop.local(time).strftime("%Y-%m-%dT%H:%M")

    def day(time) = time && Shop.local(time).strftime("%a %-d %b")

    def day_clock(time) = time && "#{day(time)} #{clock(time)}"

    # "6 h 20", or "2 d 4 h" beyond two days.
    def hours_words(hours)
      return "–" if hours.nil?
      return "#{(hours / 24).floor} d #{(hours % 24).floor} h" if hours >= 48
      whole, minutes = (hours * 60).round.divmod(60)
      "#{whole} h #{minutes.to_s.rjust(2, "0")}"
    end

    # "23 h 30 to 2 d 2 h", "3 h 55 at the soonest, perhaps never"
    # @param between [Array(Float, Float), Array(Float, nil), nil]
    def between_words(between)
      soon, late = between
      return if soon.nil?
      late ? "#{hours_words(soon)} to #{hours_words(late)}" : "#{hours_words(soon)} at the soonest, perhaps never"
    end

    # Slower than this a box counts as steady, K an hour.
    STEADY_K = 0.05

    def drift_words(kelvin)
      return "steady" if kelvin.abs < STEADY_K
      pace = show(kelvin.abs.round(1), "difference")
      "reckoned now, #{kelvin.positive? ? "rising" : "falling"} #{pace} an hour"
    end

    def percent(share) = "#{(share * 100).round} %"
  end
end
