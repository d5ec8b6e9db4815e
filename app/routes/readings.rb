# frozen_string_literal: true

module Routes
  # What an instrument read, before and after the work; and taking a reading back.
  class Readings < Base
    post "/jobs/:number/readings" do
      need :record
      instrument = Services::Instrument.of(tool, params, user: current_user, position:)
      page = (phase == "after") ? "prove" : "measure"
      if instrument.dead? &&
          job.state != "D"
        instrument.faults[
          "state"
        ] = "Prove it dead first: disconnected, locked, tested. Confirm it at “The unit is”, then keep the reading."
      end
      halt 422, station(page, instrument:, proof: Services::Proof.new(job), faults: {}, typed: {}) unless instrument.ask
      reading =
        Services::InstrumentReading.new(job, position, current_user).keep(instrument, client_id:, phase:, visit:)
      if phase == "after" && Services::Proof.new(job.reload).proved?
        Services::Progress.finish(job, "prove", current_user)
      end
      back_to "/jobs/#{job.number}/#{page}?fan=#{position.key}&tool=#{tool}",
        "#{instrument.label} kept: #{verdict_words(reading.verdict)}."
    end

    post "/jobs/:number/readings/:id/void" do
      need :record
      reading = job.readings.find(whole(params[:id]))
      Services::InstrumentReading.new(job, position, current_user).void(
        reading,
        params[:reason].to_s.strip[0, 200].presence
      )
      page = (reading.phase == "after") ? "prove" : "measure"
      back_to "/jobs/#{job.number}/#{page}?fan=#{position.key}&tool=#{reading.kind}",
        "Reading taken back."
    end

    private

    def phase = (params[:phase] == "after") ? "after" : "before"

    def tool
      Services::Instrument::ALL.key?(params[:tool]) ? params[:tool] : "amps"
    end
  end
end
