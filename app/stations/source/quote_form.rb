# frozen_string_literal: true

module Stations
  module Source
    # An answer to a quote as it was typed or drawn, by whoever stands there or over a link.
    class QuoteForm < Shared::Form
      VERDICTS = {"approved" => "Yes", "declined" => "No"}.freeze

      # @return [Hash, nil] nil with faults at their fields
      def read
        answer = {verdict: choice(:verdict, VERDICTS.keys, required: "Yes or no?"),
                  option: text(:option, longest: 40), name: text(:name, longest: 120, required: "Who says so?"),
                  reason: text(:reason, longest: 500), signature:}
        answer if clean?
      end

      private

      def signature
        drawn = params[:signature].to_s
        return nil if drawn.empty?
        Shared::Strokes.read(drawn) || fault(:signature, "The signature could not be read. Please draw it again.")
      end
    end
  end
end
