# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # The work plan of one fault and task of a job, with what has been done of it.
    #
    #   Progress.of(job, fault: "condenser-2", now: Time.now).next_step
    class Progress
      # Steps that wait for others, whatever their phase.
      WAITS = Check::BEFORE.group_by(&:last).transform_values { |pairs| pairs.map(&:first) }
        .merge("plugged_in" => %w[counted]).freeze

      # @param fault [String] its key, or a fan's; nil: the fault in hand
      # @param task [String] nil: what the fault asks for
      # @param now [Time] nil: what was made safe once stays so
      def self.of(job, fault: nil, task: nil, limits: Limits.default, now: nil)
        new(job, job.fault_at(fault), task, limits, now)
      end

      attr_reader :job, :plan, :fault, :task

      def initialize(job, fault, task, limits, now)
        @job = job
        @fault = fault
        @limits = limits
        @now = now
        @task = tasks.include?(task) ? task : Task.for_fault(job.unit.family, fault)
        @plan = build
        @done = mine.to_h { |step| [step.step, step] }
      end

      def fan = fault.fan

      # The cause that wants no plan, as long as nobody began one or something else goes along.
      # @return [Diagnosis::Cause, nil]
      def by_hand
        (fault.by_hand unless started? || job.steps.any? { |one| job.fault_key(one) == fault.key })
      end

      # What can be done at this fan.
      def tasks = @tasks ||= Task.possible(job.unit.family, fan.side)

      # What was decided beside the fault's first cause, each with its own plan; nil where it
      # has none here.
      # @return [Array<Array(Diagnosis::Cause, Progress)>]
      def along
        @along ||= fault.also.map do |cause|
          one = Task.for_cause(job.unit.family, fan.side, cause)
          [cause, one && Progress.new(job, fault, one, @limits, @now)]
        end
      end

      # The first of those plans that is neither this one nor done.
      def next_along
        along.find { |_, one| one && one.task != task && !one.finished? }
      end

      def minutes = plan.minutes

      def steps = plan.steps

      def by_phase = steps.group_by(&:phase)

      def step(id) = steps.find { |one| one.id == id }

      def done(step) = @done[step.id]

      # Made safe, and not so long ago that somebody may have been at it since.
      def safe? = plan.gate.all? { |step| fresh?(step) }

      # Whether a tick still counts: the gate's only for a working day.
      def fresh?(step)
        tick = done(step) or return false
        step.phase != "safe" || @now.nil? || unlocked? || @now - tick.done_at < @limits["work_plan.gate_hours"] * 3600
      end

      # The locks are off again: nobody's hands are in it any more.
      def unlocked? = @done.key?("locks_off") || @done.key?("plugged_in")

      # A step opens when the gate is passed, power only when the locks are off and all is
      # counted back; the gate itself is always open.
      def open?(step) = waits_for(step).nil?

      # The step that has to come first, nil where none.
      def waits_for(step)
        return nil if step.phase == "safe"
        plan.gate.find { |one| !fresh?(one) } || earlier(step).find { |one| !done(one) }
      end

      def next_step
        plan.gate.find { |step| !fresh?(step) } || steps.find { |step| !done(step) }
      end

      # The one after `step` that is still to be done.
      def after(step)
        rest = steps.drop(steps.index(step) + 1)
        rest.find { |one| !done(one) }
      end

      def finished? = steps.all? { |step| done(step) }

      def started? = @done.any?

      def done_count = steps.count { |step| done(step) }

      # Minutes of the steps not done yet.
      def minutes_left = steps.reject { |step| done(step) }.sum(&:minutes)

      # What came out and off at this plan's steps.
      # @return [Tray]
      def tray = Tray.new(steps, @done)

      # What moves to the new part: as Match judged the chosen one, else as the plan says.
      def transfers = choice&.beside&.fetch("transfers", nil) || plan.transfers

      # The part chosen for this fault, where this is the plan that it goes in by: a cleaning
      # beside it has nothing to do with what the new motor needs.
      def choice
        (fault.part_choice if task == Task.for_part(job.unit.family, fault))
      end

      # The choice whose seat this step sets; nil elsewhere.
      def chosen_seat(step)
        choice if step.measure&.fetch("what", nil) == "new_seat" && choice&.seat_mm
      end

      # What a step's measure should come to; nil where nothing says.
      # @return [Sought, nil]
      def sought(step) = Sought.at(step, self, @limits)

      # By how much what was measured is off; nil where it is as it should be.
      def off(step, measured = done(step)&.measured)
        sought(step)&.off(measured)
      end

      # Pictures taken at a step of this plan.
      def photos_of(id)
        job.since_retest(job.live_photos, fan.key).select { |photo| photo.step == id && photo.about?(fan.key) }
      end

      def features = Plan.features(job.unit.family)

      # Whether somebody has said how this unit is.
      def asked? = (features.keys & job.unit.features.keys).any?

      # How this unit is, by the plan's own id: as noted, else as most are.
      def feature(id)
        value = answers[id]
        return value unless value.nil?
        features[id]["flag"].nil? ? features[id]["choices"].first : features[id]["flag"]
      end

      # Of the motor that will sit there.
      def plate = choice&.motor || fan.motor

      # What was measured at a step of this plan.
      def measured(id) = @done[id]&.measured

      private

      def mine
        job.steps.select { |one| job.fault_key(one) == fault.key && (one.task || Task.motor(fan.side)) == task }
      end

      # Steps a proving step waits for: what has to be back, and the locks before power.
      def earlier(step)
        return [] unless step.phase == "prove"
        back = steps.select { |one| one.phase == "back" && one.fasteners }
        back + steps.select { |one| WAITS.fetch(step.id, []).include?(one.id) }
      end

      def build
        input = Input.new({"family" => job.unit.family, "task" => task, "side" => fan.side, "features" => answers,
                           "extra_work" => choice&.beside&.fetch("extra_work", nil)}.compact)
        Plan.new(Plan.read(input, @limits), @limits)
      end

      def answers = @answers ||= Answers.new(job, fan, features).to_h
    end
  end
end
