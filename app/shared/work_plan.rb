# frozen_string_literal: true

module Shared
  # The work plan of a job with what has been done of it.
  class WorkPlan
    PHASES = {
      "safe" => "Made safe",
      "apart" => "Taken apart",
      "exchange" => "Exchanged",
      "back" => "Put back",
      "prove" => "First run"
    }.freeze

    # nil where this family has no plan yet.
    def self.of(job)
      new(job) if Fenbo::WorkPlan::Plan.families.include?(job.unit.family)
    end

    attr_reader :job, :plan

    def initialize(job)
      @job = job
      @plan = build
      @done = job.work_steps.index_by(&:step)
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

    # The seat chosen on the drawing, where this step sets the hub; nil elsewhere.
    def chosen_seat(step)
      choice = job.part_choice
      choice if step.measure&.fetch("what", nil) == "new_seat" && choice&.seat_mm
    end

    # By how much the hub was set beside the chosen seat, where a caliper can tell.
    def off_seat(step)
      measured = done(step)&.measured or return nil
      off = chosen_seat(step)&.then { |choice| measured - choice.seat_mm }
      off if off && off.abs > Shop.limits["fit.tolerance"]
    end

    def features = Fenbo::WorkPlan::Plan.features(job.unit.family)

    def feature(id)
      value = answers[id]
      if value.nil?
        features[id]["flag"].nil? ? features[id]["choices"].first : features[id]["flag"]
      else
        value
      end
    end

    private

    def build
      task = (job.position_in_hand.side == "condenser") ? "condenser_fan_motor" : "evaporator_fan_motor"
      input = Fenbo::Input.new({"family" => job.unit.family, "task" => task, "features" => answers})
      Fenbo::WorkPlan::Plan.new(Fenbo::WorkPlan::Plan.read(input, Shop.limits), Shop.limits)
    end

    # The unit's features, with what its record says of wet and flammable.
    def answers
      {"flammable" => job.unit.flammable, "wet" => job.unit.wet}.merge(job.unit.features)
    end
  end
end
