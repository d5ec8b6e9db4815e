# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # What is no longer made cannot be bought; it says what took its place.
      class Available < Check
        def self.final? = true

        def narrowing = one_of(:discontinued, true)

        def line
          return nil unless candidate.discontinued
          fail("no longer made#{": #{candidate.superseded_by} took its place" if candidate.superseded_by}")
        end
      end
    end
  end
end
