# frozen_string_literal: true

module Stations
  module Decide
    # Station 4: what it is, confirmed or overridden with a reason.
    class Route < Shared::Route
      get "/jobs/:number/decide" do
        station :decide, faults: {}, typed: {}
      end

      post "/jobs/:number/decide" do
        need :decide
        typed = Shared::Typed.new(params)
        cause =
          typed.choice(
            :cause,
            Fenbo::Diagnosis::Cause.all.keys + %w[healthy none_of_these],
            required: "Choose a cause."
          )
        action = typed.choice(:action, Decision::ACTIONS.keys, required: "Choose what to do about it.")
        reason = typed.text(:reason, longest: 500)
        if cause && cause != standing.verdict && reason.nil?
          typed.fault(:reason, "You see it otherwise than Fenbo: say why, in a few words.")
        end
        halt 422, station(:decide, faults: typed.faults, typed: params) unless typed.clean?
        decide(cause, action, reason)
        back_to "/jobs/#{job.number}/#{(action == "replace") ? "match" : "decide"}",
          "Decided: #{cause_label(cause).downcase}."
      end

      post "/jobs/:number/decide/countersign" do
        need :countersign
        decision = job.decision or raise ActiveRecord::RecordNotFound
        decision.update!(countersigned_by: current_user, countersigned_at: Time.now) if decision.awaits_countersign?
        back_to "/jobs/#{job.number}/decide", "Countersigned."
      end

      private

      def decide(cause, action, reason)
        with = second_causes(cause)
        Decision.record(
          client_id:,
          job:,
          visit:,
          fan_position: position,
          user: current_user,
          causes: [cause, *with],
          proposed: standing.verdict,
          probability: probability(cause),
          override_reason: (reason unless cause == standing.verdict),
          action:,
          standing:
            standing.result.to_h.slice(:verdict, :causes, :sets, :none_of_these, :contradictions, :decisive).as_json
        )
        Shared::Progress.finish(job, "decide", current_user)
      end

      # A second cause that the leading set holds beside the chosen one.
      def second_causes(cause)
        leading = standing.result[:sets].first[:causes]
        (cause == standing.verdict && leading.include?(cause)) ? leading - [cause] : []
      end

      def probability(cause)
        standing.result[:causes].find { |row| row[:id] == cause }&.fetch(:probability)
      end
    end
  end
end
