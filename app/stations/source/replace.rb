# frozen_string_literal: true

module Stations
  module Source
    # Repair the unit or replace it: both by the year, beside the half-price rule. What was
    # reckoned is kept with the job; the decision stays the technician's.
    class Replace < Shared::Route
      get "/jobs/:number/replace" do
        page(instrument(kept&.typed || {}))
      end

      post "/jobs/:number/replace" do
        need :record
        asked = instrument
        halt 422, page(asked) unless asked.ask
        take(asked.entry(id: client_id, phase: "before"))
        back_to "/jobs/#{job.number}/replace?fan=#{spot}", "Kept: #{verdict_words(asked.result.verdict)}."
      end

      private

      def instrument(typed = params)
        Shared::Instrument.of("replace", typed, user: current_user, job:, fan: position)
      end

      def kept = job.readings_of("replace").last

      def page(asked)
        station(:replace, at: "source", asked:, kept:)
      end
    end
  end
end
