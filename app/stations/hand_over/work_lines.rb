# frozen_string_literal: true

module Stations
  module HandOver
    # What was done, line by line, as page and paper tell it: by the work plans, what was
    # measured, cleaned and moved over, and what was done otherwise or left out.
    class WorkLines
      # @param words [Shared::Route, Shared::Voice] for figures in the reader's units
      def initialize(report, words)
        @report = report
        @words = words
      end

      # @return [Array<String>]
      def done
        @report.worked.plans.map { |plan| work(plan) } + measured + cleaned + moved
      end

      # @return [Array<String>]
      def otherwise
        @report.worked.deviations.map do |step, one|
          text = @words.in_own_units(step.text).delete_suffix(".")
          "#{one.skipped? ? "Left out" : "Otherwise"}: #{text}: #{one.note}"
        end
      end

      private

      def work(plan)
        safe = ", made safe and proved dead first" if plan.gate.all? { |step| plan.done(step) }
        task = Shared::Words.tasks(plan.joined)
        done = plan.finished? ? "all #{plan.steps.size} steps" : "#{plan.done_count} of #{plan.steps.size} steps so far"
        "#{plan.fan.long_label}, #{task}: #{done}#{safe}."
      end

      def measured
        @report.worked.measured.map { |one|
          "#{one.where}, #{Fenbo::Diagnosis.low(one.label)}: #{@words.show(one.value, one.kind)}"
        }
      end

      def cleaned
        @report.job.readings_of("cleaning").map { |reading| "Cleaning: #{reading.reasons.map(&:text).join(". ")}." }
      end

      def moved
        parts = @report.worked.transferred
        parts.any? ? ["Moved over from the old part: #{parts.join(", ")}."] : []
      end
    end
  end
end
