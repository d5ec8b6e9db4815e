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
          text = "#{candidate.ambient_low_c.to_i} to #{candidate.ambient_high_c.to_i} °C for #{low.to_i} to #{high.to_i} °C"
          (candidate.ambient_low_c <= low && candidate.ambient_high_c >= high) ? pass(text) : fail(text)
        end
      end
    end
  end
end
