# frozen_string_literal: true

module Stations
  module Measure
    # What an instrument read before the work; and taking a reading back.
    class Readings < Shared::Route
      post "/jobs/:number/readings" do
        need :record
        instrument = Shared::Instrument.of(tool, params, user: current_user, position:)
        if instrument.dead? && job.state != "D"
          instrument.faults["state"] = "Prove it dead first: disconnected, locked, tested. " \
            "Confirm it at “The unit is”, then keep the reading."
        end
        halt 422, station(:measure, instrument:) unless instrument.ask
        reading = Shared::InstrumentReading.new(job, position, current_user)
          .keep(instrument, client_id:, phase: "before", visit:)
        back_to "/jobs/#{job.number}/measure?fan=#{position.key}&tool=#{tool}",
          "#{instrument.label} kept: #{verdict_words(reading.verdict)}."
      end

      post "/jobs/:number/readings/:id/void" do
        need :record
        reading = job.readings.find(whole(params[:id]))
        Shared::InstrumentReading.new(job, position, current_user).void(
          reading,
          params[:reason].to_s.strip[0, 200].presence
        )
        page = (reading.phase == "after") ? "prove" : "measure"
        back_to "/jobs/#{job.number}/#{page}?fan=#{position.key}&tool=#{reading.kind}", "Reading taken back."
      end

      private

      def tool
        Shared::Instrument::ALL.key?(params[:tool]) ? params[:tool] : "amps"
      end
    end
  end
end
