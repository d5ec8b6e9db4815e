# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # Phases equal, one nameplate voltage within a share of the site's, the hertz listed.
      class Supply < Check
        def self.final? = true

        def narrowing
          off = limits["match.supply_tolerance"] * place.volts
          !one_of(:phases, place.phases) | none_within(:hertz, place.hertz, place.hertz) |
            none_within(:volts, place.volts - off, place.volts + off)
        end

        def line
          if candidate.phases && candidate.phases != place.phases
            return fail("#{candidate.phases.to_i} phases, the site has #{place.phases}")
          end
          if candidate.hertz.any? && !candidate.hertz.include?(place.hertz)
            return fail("#{plain(candidate.hertz)} Hz, the site has #{figure(place.hertz)}")
          end
          return unknown("its voltage") if candidate.volts.empty?
          return fail("#{plain(candidate.volts)} V, the site has #{figure(place.volts)} V") unless near
          if candidate.volts.size > 1
            pass(
              "#{figure(near)} V tap for #{figure(place.volts)} V: set it before energising",
              setting: "connect it for #{figure(near)} V and cap the leads left over",
              work: "voltage"
            )
          else
            pass("#{figure(near)} V, the site has #{figure(place.volts)} V")
          end
        end

        private

        def plain(values) = values.map { |value| figure(value) }.join(" or ")

        def near
          best = candidate.volts.min_by { |volts| (volts - place.volts).abs }
          best if Tolerance.at_most?((place.volts - best).abs, limits["match.supply_tolerance"] * place.volts)
        end
      end
    end
  end
end
