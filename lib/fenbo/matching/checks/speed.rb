# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The blade's air follows the speed: near enough passes, a little off is
      # adapted to, beyond that it needs another blade.
      class Speed < Check
        def line
          return other_poles if poles_differ?
          return by_poles unless candidate.rpm && old.rpm
          off = (candidate.rpm - old.rpm).abs / old.rpm.to_f
          text = "#{candidate.rpm.to_i} rpm for #{old.rpm.to_i} rpm"
          return pass(text) if Tolerance.at_most?(off, limits["match.rpm_pass"])
          return adapt("#{text}: #{laws}", work: "speed") if Tolerance.at_most?(off, limits["match.rpm_adapt"])
          too_far(text)
        end

        def narrowing
          return nil unless old.rpm
          off = old.rpm * (limits["match.rpm_adapt"] + Tolerance::SLACK)
          beyond(:rpm, low: old.rpm - off, high: old.rpm + off) & bare
        end

        private

        # Air by the speed, load by its third power.
        def laws
          (candidate.rpm / old.rpm.to_f).then do |ratio|
            "air #{(ratio * 100).round} %, load #{(ratio**3 * 100).round} % by the fan laws"
          end
        end

        # An EC motor's poles say nothing about its speed.
        def poles_differ?
          candidate.poles && old.poles && candidate.poles != old.poles &&
            [candidate, old].none? { |motor| motor.family == "ec" }
        end

        def other_poles
          too_far("#{candidate.poles.to_i} poles for #{old.poles.to_i}")
        end

        def by_poles
          if candidate.poles && old.poles && candidate.poles == old.poles
            pass("#{candidate.poles.to_i} poles, as the old one")
          else
            unknown("its speed")
          end
        end

        def too_far(text)
          if candidate.kit_with?(:blade)
            adapt("#{text}: the kit brings its own blade")
          else
            fail("#{text}: the blade would not suit")
          end
        end
      end
    end
  end
end
