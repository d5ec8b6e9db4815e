# frozen_string_literal: true

module Shared
  # A fan on its label below a drawing.
  module FanWords
    # What one wants to read first.
    TELLING = %w[fan_motion noise frost_pattern blade_state amps spin_by_hand winding_ohms capacitor].freeze
    SIDES = {"evaporator" => "evap.", "condenser" => "cond."}.freeze
    private_constant :TELLING, :SIDES

    # Which side of a one-piece unit it is on.
    def side_words(fan) = SIDES.fetch(fan.side)

    # What is known of it, shortest first.
    # @param fresh [Boolean] whether its motor is new, and what was seen of the old one left out
    def fan_words(position, findings, fresh: false)
      said =
        findings
          .select { |finding| finding.fan == position.key && finding.outcome != "not_visible" }
          .uniq(&:test)
          .sort_by { |finding| TELLING.index(finding.test) || TELLING.size }
          .first(fresh ? 2 : 3)
          .map(&:told)
      said.unshift("new motor") if fresh
      said.empty? ? "not looked at" : said.join(" · ")
    end
  end
end
