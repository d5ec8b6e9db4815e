# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # What is done at one fan of a job, and what of it is done in one opening of the unit: made
    # safe once, opened once, everything exchanged and cleaned, closed and proved once. A work is
    # one fault by one task: what the fault asks for, and what was decided along with it.
    #
    # The first work leads, and its plan keeps the ticks. One of the others that was begun in a
    # plan of its own goes on by itself. Nothing joins that waits for its part while the other
    # does not, that was left out of what the customer agreed to, or whose lead has its locks off
    # again.
    class Opening
      Work = Value.of(:fault, :task) do
        def key = [fault.key, task]

        # What was done of it under its own name; in old files without a task it was the motor's.
        # @return [Array<JobFile::StepDone>]
        def ticks(job)
          job.steps.select { |one| job.fault_key(one) == fault.key && (one.task || Task.motor(fault.fan.side)) == task }
        end
      end

      # @param fault [JobFile::Fault] any at the fan; what was disproved was worked by itself
      # @param among [Array<JobFile::Fault>, nil] these alone, as if every part were here: what
      #   their work comes to; nil: all of the fan as it stands
      def initialize(job, fault, among: nil)
        @job = job
        @fan = fault.fan
        @open = fault.open?
        @among = among
      end

      # The works that this one leads; itself alone where it leads none.
      # @return [Array<Work>]
      def led_by(work)
        groups.find { |group| group.first.key == work.key } || [work]
      end

      # The works of the opening that this one is part of, its lead first.
      # @return [Array<Work>]
      def with(work)
        groups.find { |group| group.any? { |one| one.key == work.key } } || [work]
      end

      # What is done here by this task, whichever fault it is for; nil where nothing asks for it.
      # @return [Work, nil]
      def by_task(task) = works.find { |work| work.task == task }

      # Every opening of the fan.
      # @return [Array<Array<Work>>]
      def groups
        @groups ||= begin
          begun, others = works.partition { |work| begun?(work) }
          others.each_with_object(begun.zip) do |work, groups|
            group = home(work, groups)
            group ? group << work : groups << [work]
          end
        end
      end

      # Whether a step that is this work's alone was done in the lead's plan.
      def done_in?(work, lead)
        ((ids(work.task) - ids(lead.task)) & ticked(lead)).any?
      end

      private

      def family = @job.unit.family

      # Where it was worked on, else where it may join.
      def home(work, groups)
        free = groups.reject { |group| group.any? { |one| one.task == work.task } }
        free.find { |group| done_in?(work, group.first) } || free.find { |group| joins?(work, group.first) }
      end

      def works
        @works ||= begin
          faults = (@among || @job.faults).select { |fault| fault.fan&.key == @fan.key && fault.open? == @open }
          faults.select(&:hands_on?).flat_map { |fault| works_of(fault) }.uniq(&:key)
        end
      end

      # What is mended by hand has no plan, what was decided along with it may have one.
      def works_of(fault)
        along = fault.decision.causes.drop(1).filter_map { |id| Diagnosis::Cause.all[id] }
        first = Task.for_fault(family, fault) unless fault.by_hand
        [first, *along.map { |cause| Task.for_cause(family, @fan.side, cause) }].compact
          .map { |task| Work.new(fault:, task:) }
      end

      def joins?(work, lead)
        return false if unlocked?(lead) || (begun?(lead) && !first?(lead, work))
        !@among.nil? || (together?(work, lead) && approval.covers?(work.fault))
      end

      def approval = @approval ||= Decision::Approval.new(@job)

      # One that was begun takes in others only as the first of its fault, or of all.
      def first?(lead, work)
        same = works.select { |one| one.fault.key == lead.fault.key }
        ((work.fault.key == lead.fault.key) ? same : works).first.key == lead.key
      end

      def begun?(work) = ticked(work).any?

      def ticked(work)
        (@ticked ||= {})[work.key] ||= work.ticks(@job).map(&:step)
      end

      def unlocked?(lead) = (ticked(lead) & LOCKS_OFF).any?

      def ids(task)
        (@ids ||= {})[task] ||= recipe.all_rows.select { |row| Wanted.new(task, @fan.side, answers).call(row) }
          .map { |row| row["id"] }
      end

      def recipe = @recipe ||= Recipe.of(family)

      def answers = @answers ||= Answers.new(@job, @fan, recipe.features).to_h

      # Both have what they need, or both still have to choose it.
      def together?(work, lead)
        one, other = part(work), part(lead)
        return false if [one, other].include?("awaited")
        one.nil? || other.nil? || one == other
      end

      # How the part stands that the work needs; nil where it needs none.
      def part(work)
        choice = Task.choice(family, work)
        return choice.awaited? ? "awaited" : "chosen" if choice
        "unchosen" if Task.for_fault(family, work.fault) == work.task && work.fault.wants_part?
      end
    end
  end
end
