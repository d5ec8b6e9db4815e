# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # What a step waits for: the gate, passed and not so long ago that somebody may have been at
    # it since; before the locks come off, whatever came off, here and at the unit's other fans.
    class Waiting
      # Steps that wait for others, whatever their phase.
      WAITS = Check::BEFORE.group_by(&:last).transform_values { |pairs| pairs.map(&:first) }
        .merge("plugged_in" => %w[counted]).freeze

      # @param plan [Progress]
      # @param now [Time, nil] nil: what was made safe once stays so
      def initialize(plan, limits, now)
        @plan = plan
        @limits = limits
        @now = now
      end

      # The step of this plan that has to come first, nil where none.
      def for(step)
        return nil if step.phase == "safe"
        @plan.gate.find { |one| !fresh?(one) } || earlier(step).find { |one| !@plan.done(one) }
      end

      # Whether a tick still counts: the gate's only for a working day, and until power comes back.
      def fresh?(step)
        tick = @plan.done(step) or return false
        step.phase != "safe" || @now.nil? || @plan.unlocked? || !(aged?(tick) || powered_since?(tick))
      end

      # Somebody had the power on again after it was made safe.
      def powered_since?(tick)
        job.state == "P" && !job.state_at.nil? && job.state_at > tick.done_at
      end

      # The plan at another fan of the unit where something is off or out: power comes back to both.
      # @return [Progress, nil]
      def elsewhere(step)
        return unless POWER.include?(step.id)
        others.find { |plan| plan.steps.any? { |one| off?(plan, one) } }
      end

      private

      def job = @plan.job

      def aged?(tick)
        @now - tick.done_at >= @limits["work_plan.gate_hours"] * 3600
      end

      # What came off or out at the step that this one reverses is not back yet; a screw that is
      # missing with a word about it is.
      def off?(plan, back)
        taken = back.reverses && plan.step(back.reverses) or return false
        tick = plan.done(taken)
        (taken.removes || taken.fasteners) && tick && !tick.skipped? && !plan.done(back)
      end

      def others
        job.steps.reject { |step| job.fault_at(job.fault_key(step)).fan == @plan.fan }
          .map { |step| [job.fault_key(step), step.task] }.uniq
          .map { |fault, task| Progress.of(job, fault:, task:, limits: @limits) }
      end

      # Steps a proving step waits for: what has to be back, and the locks before power.
      def earlier(step)
        return [] unless step.phase == "prove"
        back = @plan.steps.select { |one| one.phase == "back" && one.fasteners }
        back + @plan.steps.select { |one| WAITS.fetch(step.id, []).include?(one.id) }
      end

      POWER = %w[locks_off power_on plugged_in].freeze
      private_constant :POWER
    end
  end
end
