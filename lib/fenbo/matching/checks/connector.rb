# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The same plug, or leads to splice.
      class Connector < Check
        def line
          return nil unless old.connector && candidate.connector
          return pass("same #{words(old)}") if candidate.connector == old.connector
          splice = (place.wet || cold?) ? "sealed crimps" : "crimps"
          adapt(
            "#{words(candidate)} for #{words(old)}: #{splice}, out of the blade's way",
            work: "splice",
            part: splice
          )
        end

        private

        def cold?
          !place.ambient_c.nil? && place.ambient_c.first < limits["match.cold_c"]
        end

        def words(motor) = motor.connector.tr("_", " ")
      end
    end
  end
end
