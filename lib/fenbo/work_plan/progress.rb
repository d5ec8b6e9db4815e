# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # The work plan of one fault and task of a job, and of what is done in the same opening, with
    # what has been done of it. The first of them leads: its plan keeps the ticks.
    #
    #   Progress.of(job, fault: "condenser-2", now: Time.now).next_step
    class Progress
      include AtSteps

      # @param fault [String] its key, or a fan's; nil: the fault in hand
      # @param task [String] nil: what the fault asks for
      # @param now [Time] nil: what was made safe once stays so
      # @param as [Symbol] :lead what it leads; :part the plan of the opening it is part of
      def self.of(job, fault: nil, task: nil, limits: Limits.default, now: nil, as: :lead)
        fault = job.fault_at(fault)
        task = Task.for_fault(job.unit.family, fault) unless Task.possible(job.unit.family,
          fault.fan.side).include?(task)
        opening = Opening.new(job, fault)
        work = Opening::Work.new(fault:, task:)
        whole = opening.with(work)
        return new(job, whole, limits, now) if as == :part
        new(job, opening.led_by(work), limits, now, apart: whole.first.key != work.key)
      end

      # What these faults of one fan come to in all, every part here: the plans of their openings.
      # @param faults [Array<JobFile::Fault>]
      # @return [Array<Progress>] never empty: the first fault's where nothing was decided yet
      def self.whole(job, faults, limits: Limits.default)
        plans = Opening.new(job, faults.first, among: faults).groups.map { |works| new(job, works, limits, nil) }
        plans.empty? ? [of(job, fault: faults.first.key, limits:)] : plans
      end

      attr_reader :job, :plan, :works

      # @param works [Array<Opening::Work>] the lead first
      # @param apart [Boolean] whether it is part of another opening as long as it is not begun
      def initialize(job, works, limits, now, apart: false)
        @job = job
        @works = works
        @limits = limits
        @now = now
        @apart = apart
        @plan = build
        @done = works.first.ticks(job).to_h { |step| [step.step, step] }
      end

      def apart? = @apart

      def fault = works.first.fault

      def task = works.first.task

      def fan = fault.fan

      # The tasks of the whole opening.
      def joined = works.map(&:task)

      # The work that leads, without what joins it.
      def by_itself = Progress.new(job, works.first(1), @limits, @now)

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
          [cause, one && (joined?(one) ? self : part(one))]
        end
      end

      # The part chosen for what was decided along; nil where none is.
      def choice_along(cause)
        task = Task.for_cause(job.unit.family, fan.side, cause)
        Task.choice(job.unit.family, Opening::Work.new(fault:, task:)) if task
      end

      # The first of those plans that is neither this one nor done.
      def next_along
        along.find { |_, one| one && one != self && !one.finished? }
      end

      def minutes = plan.minutes

      def steps = plan.steps

      def by_phase = steps.group_by(&:phase)

      def step(id) = steps.find { |one| one.id == id }

      def done(step) = @done[step.id]

      def gate = plan.gate

      # What a step waits for.
      def waiting = @waiting ||= Waiting.new(self, @limits, @now)

      # Made safe, and nothing happened since.
      def safe? = gate.all? { |step| waiting.fresh?(step) }

      # The locks are off again: nobody's hands are in it any more.
      def unlocked? = LOCKS_OFF.any? { |id| @done.key?(id) }

      # A step opens when the gate is passed, power only when the locks are off and all is
      # counted back; the gate itself is always open.
      def open?(step) = waits_for(step).nil? && waiting.elsewhere(step).nil?

      # The step that has to come first, nil where none.
      def waits_for(step) = waiting.for(step)

      def next_step
        gate.find { |step| !waiting.fresh?(step) } || steps.find { |step| !done(step) }
      end

      # The one after `step` that is still to be done.
      def after(step)
        rest = steps.drop(steps.index(step) + 1)
        rest.find { |one| !done(one) }
      end

      def finished? = steps.all? { |step| done(step) }

      # What ended it; nil as long as something is open.
      # @return [JobFile::StepDone, nil]
      def last_done
        (steps.map { |step| done(step) }.max_by(&:done_at) if finished?)
      end

      def started? = @done.any?

      def done_count = steps.count { |step| done(step) }

      # Minutes of the steps not done yet.
      def minutes_left = steps.reject { |step| done(step) }.sum(&:minutes)

      # What came out and off at this plan's steps.
      # @return [Tray]
      def tray = Tray.new(steps, @done)

      # @return [Parts] that go in by this plan
      def parts = @parts ||= Parts.new(job.unit.family, works)

      # What moves to the new part: as Match judged the chosen one, else as the plan says.
      def transfers = parts.transfers || plan.transfers

      # The choice whose seat this step sets; nil elsewhere.
      def chosen_seat(step)
        parts.seated if step.measure&.fetch("what", nil) == "new_seat"
      end

      # How this unit is.
      def answers
        @answers ||= begin
          family = job.unit.family
          asked = Plan.features_for(family, joined, fan.side, parts.extra_work)
          Answers.new(job, fan, Plan.features(family), for_plan: asked)
        end
      end

      # Of the motor that will sit there.
      def plate = parts.motor&.motor || fan.motor

      private

      # The plan of a cause decided along, by itself or with what joins it.
      def part(task)
        Progress.of(job, fault: fault.key, task:, limits: @limits, now: @now)
      end

      def joined?(task)
        works.any? { |work| work.task == task && work.fault.key == fault.key }
      end

      def build
        input = Input.new({"family" => job.unit.family, "task" => task, "also" => joined.drop(1), "side" => fan.side,
                           "features" => answers.to_h, "extra_work" => parts.extra_work})
        Plan.new(Plan.read(input, @limits), @limits)
      end
    end
  end
end
