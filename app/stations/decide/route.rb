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
        typed = Shared::Form.new(params)
        cause =
          typed.choice(
            :cause,
            Fenbo::Diagnosis::Cause.all.keys + %w[healthy none_of_these],
            required: "Choose a cause."
          )
        action = typed.choice(:action, Shared::Words::ACTIONS.keys, required: "Choose what to do about it.")
        reason = typed.text(:reason, longest: 500)
        if cause && cause != standing.verdict && reason.nil?
          typed.fault(:reason, "You see it otherwise than Fenbo: say why, in a few words.")
        end
        halt 422, station(:decide, faults: typed.faults, typed: params) unless typed.clean?
        row = decide(cause, action, reason)
        decided = job.fault_at(row.fault)
        back_to "/jobs/#{job.number}/#{(action == "replace") ? "match" : "decide"}?fan=#{spot(decided)}",
          "Decided#{" about the unit" if decided.unit?}: #{Fenbo::Diagnosis.low(cause_label(cause))}."
      end

      post "/jobs/:number/decide/withdraw" do
        need :decide
        key = fault_here.key
        # What names no fault takes none back: the one in hand may be another.
        halt(*nothing_here) unless params[:fan] == key
        take Entries::Withdrawn.new(fault: key, reason: text(:taken_back, 500))
        back_to "/jobs/#{job.number}/decide?fan=#{position.key}", "Taken back: nothing is decided there any more."
      rescue Logbook::Refused => problem
        halt 422, station(:decide, faults: {"taken_back" => problem.message}, typed: params)
      end

      post "/jobs/:number/decide/countersign" do
        take_or_refuse(Entries::DecisionCountersign.new(fault: fault_here.key, read: text(:read, 40)), "Decided anew")
        back_to "/jobs/#{job.number}/decide?fan=#{spot}", "Countersigned."
      end

      private

      # A test that is still worth doing, as a link.
      def still_worth(test, row)
        path = "/jobs/#{job.number}/measure?fan=#{spot}&test=#{test.id}"
        %(<a class="underline" href="#{h(path)}">#{h(Fenbo::Diagnosis.low(offer_of_test(test, row)))}</a>)
      end

      # How many times likelier, or less likely, a finding makes a cause.
      def times_words(factor)
        return "× #{Fenbo::Quantities.tidy(factor.round(1))}" if factor >= 1
        "÷ #{Fenbo::Quantities.tidy((1 / factor).round(1))}"
      end

      # What Fenbo believed is kept with what was decided.
      BELIEVED = %w[verdict causes sets none_of_these contradictions decisive companions].freeze

      def decide(cause, action, reason)
        take Entries::Decision.new(
          id: client_id,
          fault: fault_here.key,
          besides: params[:besides] == "1",
          causes: [cause, *second_causes(cause)],
          proposed: standing.verdict,
          probability: probability(cause),
          action_taken: action,
          override_reason: (reason unless cause == standing.verdict),
          standing: standing.result.as_json.slice(*BELIEVED)
        )
      end

      # A second cause that the leading set holds beside the chosen one.
      def second_causes(cause)
        leading = standing.result.sets.first.causes
        (cause == standing.verdict && leading.include?(cause)) ? leading - [cause] : []
      end

      # What is done about the cause picked, and about what is decided along with it.
      def remedies(picked, decision)
        decided = decision ? decision.causes : []
        along = (picked && decided.first == picked) ? decided.drop(1) : second_causes(picked)
        first, *beside = Fenbo::Diagnosis::Cause.all.values_at(picked, *along)
        [first&.remedy, *beside.compact.map { |one| "#{one.label} too: #{Fenbo::Diagnosis.low(one.remedy)}" }].compact
      end

      def probability(cause)
        standing.result.causes.find { |row| row.id == cause }&.probability
      end
    end
  end
end
