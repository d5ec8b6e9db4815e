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
        form = form_of(params)
        halt 422, station(:decide, faults: form.faults, typed: params) unless form.clean?
        decided = decide(form).map { |row| job.fault_at(row.fault) }
        bought = (form.action == "replace") ? decided.first : decided[1]
        back_to "/jobs/#{job.number}/#{bought ? "match" : "decide"}?fan=#{spot(bought || decided.first)}",
          decided.map { |fault| decided_line(fault) }.join(" ")
      end

      # A neighbour's motor that the customer agreed to: nothing has to be wrong with it.
      post "/jobs/:number/decide/agreed" do
        need :decide
        line = Fenbo::Decision::Agreed.new(job).neighbour(position.key) or halt(*nothing_here)
        cause = line.cause(standing.verdict)
        take entry(client_id, position.key, [cause], "replace",
          override_reason: ("Agreed by #{line.by}: #{line.what}" if cause != standing.verdict))
        back_to "/jobs/#{job.number}/match?fan=#{position.key}", decided_line(job.fault_of(position))
      end

      post "/jobs/:number/decide/withdraw" do
        need :decide
        key = fault_here.key
        # What names no fault takes none back: the one in hand may be another.
        halt(*nothing_here) unless params[:fan] == key
        off = Shared::TakenBack.around(record) {
          take Entries::Withdrawn.new(fault: key, reason: text(:taken_back, 500))
        }
        back_to "/jobs/#{job.number}/decide?fan=#{position.key}",
          "Taken back: nothing is decided there any more. #{off}".strip
      rescue Logbook::Refused => problem
        halt 422, station(:decide, faults: {"taken_back" => problem.message}, typed: params)
      end

      post "/jobs/:number/decide/countersign" do
        take_or_refuse(Entries::DecisionCountersign.new(fault: fault_here.key, read: text(:read, 40)), "Decided anew")
        back_to "/jobs/#{job.number}/decide?fan=#{spot}", "Countersigned."
      end

      private

      def leaning_words
        return "Fenbo is sure enough" if standing.decisive?
        (standing.verdict == "undetermined") ? "Nothing leads far enough" : "Fenbo leans this way"
      end

      # A test that is still worth doing, as a link.
      def still_worth(test, row)
        words = h(Fenbo::Diagnosis.low(offer_of_test(test, row)))
        %(<a class="underline" href="#{h(asked_at(test.id, "measure"))}">#{words}</a>)
      end

      # How many times likelier, or less likely, a finding makes a cause.
      def times_words(factor)
        return "× #{Fenbo::Quantities.tidy(factor.round(1))}" if factor >= 1
        "÷ #{Fenbo::Quantities.tidy((1 / factor).round(1))}"
      end

      # What Fenbo believed is kept with what was decided.
      BELIEVED = %w[verdict causes sets none_of_these contradictions decisive companions].freeze

      def form_of(typed) = Form.new(typed, standing, own: own_already)

      # Causes that are open faults of their own, beside the one in hand.
      def own_already
        job.faults.select { |one| one.open? && one.decision && one.key != fault_here.key }
          .filter_map { |one| one.decision.causes.first }
      end

      # The first cause, and each other that a part is bought for as a fault of its own.
      # @return [Array<Decision>]
      def decide(form)
        id, fault = client_id, fault_here.key
        first = entry(id, fault, form.causes, form.action, besides: params[:besides] == "1",
          override_reason: (form.reason if form.otherwise?))
        # Sent again, each is the same: its id follows from the form's.
        own = form.own_faults.map { |cause|
          entry(Digest::UUID.uuid_v5(id, cause), fault, [cause], "replace", besides: true)
        }
        [first, *own].map { |one| take one }
      end

      def entry(id, fault, causes, action, **more)
        Entries::Decision.new(id:, fault:, causes:, proposed: standing.verdict, action_taken: action,
          probability: probability(causes.first), standing: standing.result.as_json.slice(*BELIEVED), **more)
      end

      def decided_line(fault)
        "Decided#{" about the unit" if fault.unit?}: #{Fenbo::Diagnosis.low(fault.decision.label)}."
      end

      # The causes that are decided about together: those that stand decided with the one picked,
      # and those that Fenbo names with it.
      def together(picked, decision)
        named = standing.result.sets.first.causes
        (decision && decision.causes.first == picked) ? decision.causes | named : named
      end

      # What else there is beside the cause picked, with what becomes of each.
      # @return [Hash{String => String}] way by cause
      def beside(picked, decision, typed)
        others = form_of({}).others(together(picked, decision), picked)
        chosen = typed["also"].is_a?(Hash) ? typed["also"] : {}
        stand = (decision && decision.causes.first == picked) ? decision.causes : others
        others.to_h { |one| [one, chosen[one] || (stand.include?(one) ? "along" : "left")] }
      end

      # A part can be bought for some only.
      def ways(cause)
        Fenbo::Diagnosis::Cause.all[cause].part ? Form::WAYS : Form::WAYS.except("own")
      end

      def probability(cause)
        standing.result.causes.find { |row| row.id == cause }&.probability
      end
    end
  end
end
