# frozen_string_literal: true

module Shared
  # Power at the shaft as plates have it: of little they say watts.
  module ShaftPower
    SMALL_HP = 0.02

    # @param horsepower [Float]
    # @return [Array(String, String)] the figure and its unit
    def self.shown(horsepower)
      return [Fenbo::Quantities.tidy(horsepower), "hp"] if horsepower >= SMALL_HP
      [Fenbo::Quantities.tidy((horsepower * Shop.limits["match.watts_per_horsepower"]).round(1)), "W"]
    end
  end
end
