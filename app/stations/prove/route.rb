# frozen_string_literal: true

module Stations
  module Prove
    # Station 8: proved fixed, before beside after.
    class Route < Shared::Route
      get "/jobs/:number/prove" do
        station :prove, proof: Shared::Proof.new(job), instrument:, faults: {}, typed: {}
      end

      post "/jobs/:number/prove/checks/:check" do
        need :record
        raise ActiveRecord::RecordNotFound unless Shared::Proof::CHECKS.key?(params[:check])
        tick(params[:check])
        Shared::Progress.finish(job, "prove", current_user) if Shared::Proof.new(job.reload).proved?
        back_to "/jobs/#{job.number}/prove"
      end

      post "/jobs/:number/prove/temperatures" do
        need :record
        typed = Shared::Typed.new(params, system: current_user.unit_system)
        arrival, leaving = typed.quantity(:arrival, "temperature"), typed.quantity(:leaving, "temperature")
        unless typed.clean?
          halt 422, station(:prove, proof: Shared::Proof.new(job), instrument:, faults: typed.faults, typed: params)
        end
        visit.update!({arrival_c: arrival, leaving_c: leaving}.compact)
        back_to "/jobs/#{job.number}/prove", "Temperatures kept."
      end

      # What the meter says once everything runs again, and the box on its way down.
      post "/jobs/:number/prove/readings" do
        need :record
        instrument = Shared::Instrument.of(tool, params, user: current_user, position:)
        unless instrument.ask
          halt 422, station(:prove, instrument:, proof: Shared::Proof.new(job), faults: {}, typed: {})
        end
        reading = Shared::InstrumentReading.new(job, position, current_user)
          .keep(instrument, client_id:, phase: "after", visit:)
        Shared::Progress.finish(job, "prove", current_user) if Shared::Proof.new(job.reload).proved?
        back_to "/jobs/#{job.number}/prove?fan=#{position.key}&tool=#{tool}",
          "#{instrument.label} kept: #{verdict_words(reading.verdict)}."
      end

      private

      def tool = (params[:tool] == "pulldown") ? "pulldown" : "amps"

      # The clamp after the work, or the box on its way down.
      def instrument
        Shared::Instrument.of(tool, {"turning" => "yes"}, user: current_user, position:)
      end

      # A second press takes the tick back.
      def tick(id)
        check = ProofCheck.find_by(job:, check_id: id)
        check ? check.destroy! : ProofCheck.create!(job:, check_id: id, user: current_user, done_at: Time.now)
      rescue ActiveRecord::RecordNotUnique
        nil # two presses at once: it is ticked
      end
    end
  end
end
