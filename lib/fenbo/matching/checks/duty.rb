# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # An enclosure at least as tight as the old one; closed in wet places; behind a belt
      # never a motor that its own blade has to cool.
      class Duty < Check
        RANK = {"open" => 0, "open_air_over" => 1, "enclosed" => 2, "potted" => 3}.freeze

        def self.final? = true

        def narrowing
          looser = RANK.select { |_, rank| rank < demanded }.keys
          refused = place.belt ? looser | ["open_air_over"] : looser
          one_of(:enclosure, *refused) if refused.any?
        end

        def line
          if place.belt && candidate.enclosure == "open_air_over"
            return fail("open air over behind a belt: no blade cools it")
          end
          return pass("nothing asks for a closed motor here") if demanded.zero?
          return unknown("its enclosure") unless candidate.enclosure
          if place.wet && RANK[candidate.enclosure] < RANK["enclosed"]
            return fail("#{words(candidate)} in a wet or washed place")
          end
          return pass(words(candidate)) unless old.enclosure && RANK[candidate.enclosure] < RANK[old.enclosure]
          fail("#{words(candidate)}, the old one was #{words(old)}")
        end

        private

        def demanded
          [RANK.fetch(old.enclosure, 0), place.wet ? RANK["enclosed"] : 0].max
        end

        def words(motor) = motor.enclosure.tr("_", " ")
      end
    end
  end
end
