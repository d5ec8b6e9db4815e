# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # One fan of a job as the case `diagnose` takes.
    class JobCase
      # @param job [JobFile::Job]
      # @param fan [JobFile::Fan]
      # @param now [Time]
      # @param minute_cost [Float] what a minute of work costs, in the shop's money
      # @param experience [Hash, nil] what the shop's closed jobs taught
      # @param without [JobFile::Finding, nil] one to leave out: what stood before it
      # @param limits [Limits]
      def initialize(job, fan, now:, minute_cost:, experience: nil, without: nil, limits: Limits.default)
        @job = job
        @fan = fan
        @now = now
        @minute_cost = minute_cost
        @experience = experience
        @without = without
        @limits = limits
      end

      def to_h
        {
          "unit" => {"family" => unit.family, "refrigerant" => unit.refrigerant, "contactors" => unit.contactors,
                     "fans" => fans}.compact,
          "position" => @fan.key, "context" => context, "findings" => looks.map { |one| row(one) },
          "state" => @job.stands(@now, @limits),
          "cost" => {"minute" => @minute_cost}, "experience" => @experience
        }.compact
      end

      # After a repair that did not prove, what was seen of the fan before it says nothing any more.
      def findings
        @findings ||= @job.live_findings.reject { |one| of_before?(one) } - [@without]
      end

      # The same answer again within minutes is no second witness; one that was taken back in
      # between, or given again much later, is.
      def looks
        findings.each_with_object([]) do |one, kept|
          before = kept.reverse.find { |other| other.test == one.test && other.fan == one.fan }
          kept << one unless before && same_look?(one, before)
        end
      end

      private

      # Of another shift than now the cover it took is on again.
      def row(one)
        long_ago = @now - one.taken_at > @limits["work_plan.gate_hours"] * 3600
        one.to_case.merge({"earlier" => (true if long_ago)}.compact)
      end

      def of_before?(one)
        since = @job.retested_at(@fan.key)
        since && one.fan == @fan.key && one.taken_at < since
      end

      def same_look?(one, before)
        one.outcome == before.outcome && one.weights == before.weights &&
          one.taken_at - before.taken_at <= @limits["looking.same_look_minutes"] * 60
      end

      def unit = @job.unit

      def fans
        unit.fans.map { |fan| {"position" => fan.key, "motor" => {"family" => fan.motor&.family}.compact} }
      end

      def context
        {
          "side" => @fan.side, "age_years" => age, "recent_work" => recent_work?,
          "complaint" => @job.complaint_kinds
        }.compact
      end

      def recent_work?
        @job.recent_work || !@job.retested_at(@fan.key).nil? || @job.fitted_lately?(@fan, @limits)
      end

      def age = @fan.motor&.age_years(@now.to_date)&.round(1)&.clamp(0, 100)
    end
  end
end
