# frozen_string_literal: true

module Stations
  module Measure
    # What an instrument read before the work; and taking a reading back.
    class Readings < Shared::Route
      post "/jobs/:number/readings" do
        instrument = Shared::Instrument.of(tool, params, user: current_user, job:, fan: position)
        there = "/jobs/#{job.number}/measure?fan=#{spot}&tool=#{tool}"
        reading = keep(instrument)
        back_to there, "#{instrument.label} kept: #{verdict_words(reading.verdict)}."
      end

      post "/jobs/:number/readings/:id/void" do
        reading = take(Entries::Void.new(of: :readings, id: params[:id], reason: text(:reason, 200)))
        page = (reading.phase == "after") ? "prove" : "measure"
        back_to "/jobs/#{job.number}/#{page}?fan=#{spot}&tool=#{reading.kind}", "Reading taken back."
      end

      private

      # Whatever stands against it is told at its field, with what was typed.
      def keep(instrument)
        need :record
        halt 422, station(:measure, instrument:) unless instrument.ask
        take(instrument.entry(id: client_id, phase: "before"))
      rescue Logbook::Refused => problem
        instrument.faults["state"] = problem.message
        halt 422, station(:measure, instrument:)
      end

      def tool
        Shared::Instrument::ALL.key?(params[:tool]) ? params[:tool] : "amps"
      end
    end
  end
end
