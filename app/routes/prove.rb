# frozen_string_literal: true

module Routes
  # Station 8: proved fixed, before beside after.
  class Prove < Base
    get "/jobs/:number/prove" do
      station :prove, proof: Services::Proof.new(job), instrument:, faults: {}, typed: {}
    end

    post "/jobs/:number/prove/checks/:check" do
      need :record
      raise ActiveRecord::RecordNotFound unless Services::Proof::CHECKS.key?(params[:check])
      tick(params[:check])
      Services::Progress.finish(job, "prove", current_user) if Services::Proof.new(job.reload).proved?
      back_to "/jobs/#{job.number}/prove"
    end

    post "/jobs/:number/prove/temperatures" do
      need :record
      typed = Services::Typed.new(params, system: current_user.unit_system)
      arrival, leaving = typed.quantity(:arrival, "temperature"), typed.quantity(:leaving, "temperature")
      unless typed.clean?
        halt 422, station(:prove, proof: Services::Proof.new(job), instrument:, faults: typed.faults, typed: params)
      end
      visit.update!({arrival_c: arrival, leaving_c: leaving}.compact)
      back_to "/jobs/#{job.number}/prove", "Temperatures kept."
    end

    private

    # The clamp after the work, or the box on its way down.
    def instrument
      Services::Instrument.of(
        (params[:tool] == "pulldown") ? "pulldown" : "amps",
        {"turning" => "yes"},
        user: current_user,
        position:
      )
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
