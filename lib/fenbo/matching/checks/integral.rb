# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # A blade that is part of the old motor goes with it.
      class Integral < Check
        def narrowing
          old.integral_blade ? !one_of(:integral_blade, true) & bare : nil
        end

        def line
          unless old.integral_blade
            return (
              if candidate.integral_blade
                adapt(
                  "its blade is part of it, the old one stays behind: compare diameter, air and opening before buying"
                )
              end
            )
          end
          return pass("whole assembly with its blade") if candidate.integral_blade
          if candidate.kit_with?(:blade)
            adapt("a kit with its own blade and plate", work: unless_kit_says("kit"))
          else
            fail("the old blade goes with the old motor")
          end
        end
      end
    end
  end
end
