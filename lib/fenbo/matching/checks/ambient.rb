# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # Its range covers the place: freezer coils, condenser air.
      class Ambient < Check
        def line
          return nil unless place.ambient_c
          return unknown("its temperature range") unless candidate.ambient_low_c && candidate.ambient_high_c
          low, high = place.ambient_c
          text =
            "#{degrees(candidate.ambient_low_c)} to #{degrees(candidate.ambient_high_c)} °C for " \
            "#{degrees(low)} to #{degrees(high)} °C"
          (candidate.ambient_low_c <= low && candidate.ambient_high_c >= high) ? pass(text) : fail(text)
        end

        private

        def degrees(celsius) = Quantities.tidy(celsius).tr("-", "−")
      end
    end
  end
end
