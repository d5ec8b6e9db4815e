# frozen_string_literal: true

module Shared
  # Power at the shaft as plates have it: a share of a horsepower, and of little they say watts.
  module ShaftPower
    SMALL_HP = 0.02
    # No plate has a share of more parts.
    MOST_PARTS = 50
    # A plate is kept with so many digits.
    DIGITS = 4

    # @param horsepower [Float]
    # @return [Array(String, String)] the figure and its unit: "1/15" and "hp"
    def self.shown(horsepower)
      return [share(horsepower) || Fenbo::Quantities.tidy(horsepower), "hp"] if horsepower >= SMALL_HP
      [Fenbo::Quantities.tidy((horsepower * Shop.limits["match.watts_per_horsepower"]).round(1)), "W"]
    end

    def self.share(horsepower)
      parts = (2..MOST_PARTS).find { |one| (1.0 / one).round(DIGITS) == horsepower.round(DIGITS) }
      "1/#{parts}" if parts
    end
    private_class_method :share
  end
end
