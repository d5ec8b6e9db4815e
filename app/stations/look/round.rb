# frozen_string_literal: true

module Stations
  module Look
    # Several looks answered on one form: each a finding with an id of its own that follows
    # from the form's, so that the same form sent again is the same findings.
    class Round
      # @param seen [Hash, nil] outcome by test; anything else counts as nothing
      # @param form [String] the form's client id
      def initialize(seen, form)
        @seen = seen.is_a?(Hash) ? seen : {}
        @form = form
      end

      # @param fan [String]
      # @return [Array<Entries::Finding>]
      def findings(fan)
        @seen.map { |test, outcome|
          Entries::Finding.new(id: Digest::UUID.uuid_v5(@form, test), fan:, test:, outcome: outcome.to_s)
        }
      end
    end
  end
end
