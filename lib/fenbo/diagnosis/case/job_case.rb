# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # One fan of a job as the case `diagnose` takes.
    class JobCase
      # What one press keeps is kept a few thousandths apart.
      ONE_PRESS_SECONDS = 1
      private_constant :ONE_PRESS_SECONDS

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

      # The same answer once more within minutes is no second witness where nothing else was looked
      # at in between; one that was taken back, or came back to, is.
      def looks
        @looks ||= findings.each_with_object([]) do |one, kept|
          kept << one unless kept.any? && same_look?(one, kept.last)
        end
      end

      private

      # Of another shift than now the cover it took is on again. What was answered last, within
      # minutes, is not asked anew before something else is; nor what was answered with the same press.
      def row(one)
        ago = @now - one.taken_at
        long_ago = ago > @limits["work_plan.gate_hours"] * 3600
        just = ago <= same_look_seconds && looks.last.taken_at - one.taken_at <= ONE_PRESS_SECONDS
        one.to_case.merge({"earlier" => (true if long_ago), "just" => (true if just)}.compact)
      end

      def of_before?(one)
        since = @job.retested_at(@fan.key)
        since && one.fan == @fan.key && one.taken_at < since
      end

      def same_look?(one, before)
        one.test == before.test && one.fan == before.fan && one.outcome == before.outcome &&
          one.weights == before.weights && one.taken_at - before.taken_at <= same_look_seconds
      end

      def same_look_seconds = @limits["looking.same_look_minutes"] * 60

      def unit = @job.unit

      def fans
        unit.fans.map { |fan| {"position" => fan.key, "motor" => {"family" => fan.motor&.family}.compact} }
      end

      def context
        {
          "side" => @fan.side, "age_years" => age, "recent_work" => recent_work?,
          "complaint" => @job.complaint_kinds, "decided" => decided
        }.compact
      end

      # What is wrong at other fans, mended or not: what it did to the unit was seen before.
      def decided
        others = @job.faults.select { |fault| fault.open? && !fault.unit? && fault.fan && fault.fan.key != @fan.key }
        others.filter_map do |fault|
          causes = fault.decision&.causes.to_a.select { |id| Cause.all.key?(id) }
          {"position" => fault.fan.key, "causes" => causes} if causes.any?
        end
      end

      def recent_work?
        @job.recent_work || !@job.retested_at(@fan.key).nil? || @job.fitted_lately?(@fan, @limits)
      end

      def age = @fan.motor&.age_years(@now.to_date)&.round(1)&.clamp(0, 100)
    end
  end
end
