# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # Its range covers the place: freezer coils, condenser air.
      class Ambient < Check
        def self.final? = true

        def narrowing
          return nil unless place.ambient_c
          low, high = place.ambient_c
          known(:ambient_low_c) & known(:ambient_high_c) & (beyond(:ambient_low_c, high: low) |
            beyond(:ambient_high_c, low: high))
        end

        def line
          return nil unless place.ambient_c
          return unknown("its temperature range") unless candidate.ambient_low_c && candidate.ambient_high_c
          low, high = place.ambient_c
          text =
            "#{degrees(candidate.ambient_low_c)} to #{degrees(candidate.ambient_high_c)} °C for " \
            "#{degrees(low)} to #{degrees(high)} °C"
          covers?(low, high) ? pass(text) : fail(text)
        end

        private

        def covers?(low, high)
          Tolerance.at_most?(candidate.ambient_low_c, low) && Tolerance.at_least?(candidate.ambient_high_c, high)
        end

        def degrees(celsius) = Quantities.tidy(celsius).tr("-", "−")
      end
    end
  end
end
