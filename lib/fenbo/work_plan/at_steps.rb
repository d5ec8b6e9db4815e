# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # What was measured, read and photographed at the steps of a plan, and what it should come to.
    # For Progress, which knows what was done.
    module AtSteps
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

      # What was measured at a step of this plan.
      def measured(id) = @done[id]&.measured

      # What a meter read at a live step, after the work: since the step before it was done; nil
      # where nothing was.
      # @return [JobFile::Reading, nil]
      def reading_at(step)
        before = steps.take_while { |one| one.id != step.id }.filter_map { |one| done(one)&.done_at }.max
        read = job.readings_of(step.reads, phase: "after", fan: fan.key)
        read.reverse.find { |one| before.nil? || one.taken_at >= before }
      end
    end
  end
end
