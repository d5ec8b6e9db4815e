# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # Beside a flammable refrigerant only what is marked for it.
      class Refrigerant < Check
        def self.final? = true

        def narrowing = place.flammable ? one_of(:flammable_ok, false) : nil

        def line
          return pass("the refrigerant is not flammable") unless place.flammable
          if candidate.flammable_ok
            pass("marked for flammable refrigerants")
          else
            fail("not marked for flammable refrigerants")
          end
        end
      end
    end
  end
end
