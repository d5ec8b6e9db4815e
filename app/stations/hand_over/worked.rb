# frozen_string_literal: true

module Stations
  module HandOver
    # What was worked along the plans of a job: the plans begun, what was measured and moved over
    # on the way, and what was done otherwise.
    class Worked
      Measured = Fenbo::Value.of(:where, :label, :value, :kind)

      # What is measured twice says when.
      MOMENTS = {"old_seat" => "before", "new_seat" => "after"}.freeze

      # @param job [Fenbo::JobFile::Job]
      def initialize(job, limits:)
        @job = job
        @limits = limits
      end

      # Every work plan somebody worked on: a fault and what was worked there.
      # @return [Array<Fenbo::WorkPlan::Progress>]
      def plans
        @plans ||= started.map { |fault, task| Fenbo::WorkPlan::Progress.of(@job, fault:, task:, limits: @limits) }
      end

      # @return [Array<Measured>]
      def measured
        each_step.filter_map do |plan, step, done|
          next unless done&.measured
          label = [step.measure["label"], MOMENTS[step.measure["what"]]].compact.join(", ")
          Measured.new(where: plan.fan.long_label, label:, value: done.measured, kind: step.measure["kind"])
        end
      end

      # @return [Array<String>] parts moved over from the old one
      def transferred
        each_step.filter_map { |_, step, done| step.transfer if done }.compact.uniq
      end

      # Steps done otherwise or left out, with the reason.
      # @return [Array<Array(Fenbo::WorkPlan::Step, Fenbo::JobFile::StepDone)>]
      def deviations
        each_step.filter_map { |_, step, done| [step, done] if done&.note }
      end

      private

      # [[plan, step, what was recorded of it or nil]]
      def each_step
        plans.flat_map { |plan| plan.steps.map { |step| [plan, step, plan.done(step)] } }
      end

      # Faults and tasks with a step done, as they were begun.
      def started
        @job.steps.map { |step|
          key = @job.fault_key(step)
          [key, step.task || Fenbo::WorkPlan::Task.motor(@job.fault_at(key).fan.side)]
        }.uniq
      end
    end
  end
end
