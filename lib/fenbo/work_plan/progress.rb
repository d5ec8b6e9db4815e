# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # The work plan of a job with what has been done of it.
    class Progress
      # nil where this family has no plan yet.
      # @param job [JobFile::Job]
      def self.of(job, limits: Limits.default)
        new(job, limits) if Plan.families.include?(job.unit.family)
      end

      attr_reader :job, :plan

      def initialize(job, limits)
        @job = job
        @limits = limits
        @plan = build
        @done = job.steps.to_h { |step| [step.step, step] }
      end

      def minutes = plan.minutes

      def steps = plan.steps

      def by_phase = steps.group_by(&:phase)

      def done(step) = @done[step.id]

      def safe? = plan.gate.all? { |step| done(step) }

      # A step opens when the gate is passed; the gate itself is always open.
      def open?(step) = step.phase == "safe" || safe?

      def next_step = steps.find { |step| !done(step) }

      def finished? = next_step.nil?

      def done_count = steps.count { |step| done(step) }

      # Fasteners that came out and have not gone back yet.
      def fasteners_out
        steps.sum do |step|
          count = done(step)&.fasteners or next 0
          (step.phase == "back") ? -count : count
        end
      end

      # How many came out at the step that `step` reverses.
      def taken_out(step) = @done[step.reverses]&.fasteners

      # The choice whose seat this step sets; nil elsewhere.
      def chosen_seat(step)
        choice = job.part_choice(job.fan_in_hand.key)
        choice if step.measure&.fetch("what", nil) == "new_seat" && choice&.seat_mm
      end

      # By how much the hub was set beside the chosen seat, mm, where a caliper can tell.
      def off_seat(step)
        measured = done(step)&.measured or return nil
        off = chosen_seat(step)&.then { |choice| measured - choice.seat_mm }
        off if off && off.abs > @limits["fit.tolerance"]
      end

      def features = Plan.features(job.unit.family)

      # How this unit is, by the plan's own id: as noted, else as most are.
      def feature(id)
        value = answers[id]
        return value unless value.nil?
        features[id]["flag"].nil? ? features[id]["choices"].first : features[id]["flag"]
      end

      private

      def build
        task = (job.fan_in_hand.side == "condenser") ? "condenser_fan_motor" : "evaporator_fan_motor"
        input = Input.new({"family" => job.unit.family, "task" => task, "features" => answers})
        Plan.new(Plan.read(input, @limits), @limits)
      end

      # The unit's features, with what its record says of wet and flammable.
      def answers
        {"flammable" => job.unit.flammable, "wet" => job.unit.wet}.merge(job.unit.features)
      end
    end
  end
end
