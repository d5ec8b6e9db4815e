# frozen_string_literal: true

module Routes
  # The clamp meter, before and after the work; and taking a reading back.
  class Readings < Base
    post "/jobs/:number/readings" do
      need :record
      phase = (params[:phase] == "after") ? "after" : "before"
      asked = Services::AmpsReading.new(job, position, current_user, params)
      page = (phase == "after") ? "prove" : "measure"
      halt 422, station(page, faults: asked.faults, typed: params, proof: Services::Proof.new(job)) unless asked.ask
      reading = asked.keep(client_id:, phase:, visit:)
      Services::Progress.finish(job, "prove", current_user) if phase == "after" && Services::Proof.new(job.reload).proved?
      back_to "/jobs/#{job.number}/#{page}?fan=#{position.key}", "Amps kept: #{verdict_words(reading.verdict)}."
    end

    post "/jobs/:number/readings/:id/void" do
      need :record
      reading = job.readings.find(whole(params[:id]))
      Reading.transaction do
        reading.void(current_user, params[:reason].to_s.strip[0, 200].presence)
        reading.finding&.void(current_user, "its reading was taken back")
      end
      back_to "/jobs/#{job.number}/#{(reading.phase == "after") ? "prove" : "measure"}?fan=#{position.key}", "Reading taken back."
    end
  end
end
