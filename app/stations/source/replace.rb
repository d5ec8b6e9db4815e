# frozen_string_literal: true

module Stations
  module Source
    # Repair the unit or replace it: both by the year, beside the half-price rule. What was
    # reckoned is kept with the job; the decision stays the technician's.
    class Replace < Shared::Route
      get "/jobs/:number/replace" do
        page(instrument)
      end

      post "/jobs/:number/replace" do
        need :record
        asked = instrument
        halt 422, page(asked) unless asked.ask
        take(asked.entry(id: client_id, phase: "before"))
        back_to "/jobs/#{job.number}/replace?fan=#{spot}", "Kept: #{verdict_words(asked.result.verdict)}."
      end

      private

      def instrument
        Shared::Instrument.of("replace", params, user: current_user, job:, fan: position)
      end

      def page(asked)
        station(:replace, at: "source", asked:, kept: job.readings_of("replace").last)
      end
    end
  end
end
