# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The blade of a kit in the place of the old one: about how much air it moves, as far as both
      # diameters are known. How it is made differs, so the fan laws say no more than roughly.
      class Blade < Check
        def line
          return nil unless kit_mm && old_mm
          text = "#{figure(kit_mm)} mm for #{figure(old_mm)} mm"
          share = (kit_mm / old_mm.to_f)**3 * speeds
          return pass(text) if Tolerance.at_least?(share, limits["match.kit_air"])
          text += ": about #{(share * 100).round} % of the air by the fan laws"
          return adapt(text) if Tolerance.at_least?(share, limits["match.kit_air_least"])
          fail(text)
        end

        private

        def kit_mm = candidate.kit_blade_mm

        def old_mm = @context.blade&.fetch(:diameter_mm, nil)

        def speeds
          (candidate.rpm && old.rpm) ? candidate.rpm / old.rpm.to_f : 1.0
        end
      end
    end
  end
end
