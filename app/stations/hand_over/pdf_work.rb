# frozen_string_literal: true

module Stations
  module HandOver
    # What was done: in the customer's words, by the work plans, what was measured, moved over, left out.
    class PdfWork < PdfPart
      def print
        lines = report.works.map { |plan| work_line(plan) } + measured_lines
        return if lines.empty? && report.handover&.summary.nil? && cleanings.empty?
        paper.section "What was done"
        paper.text report.handover.summary if report.handover&.summary
        lines.each { |line| paper.text line }
        cleanings.each { |reading| paper.text "Cleaning: #{reading.reasons.map(&:text).join(". ")}." }
        paper.text "Moved over from the old part: #{report.transferred.join(", ")}." if report.transferred.any?
        report.deviations.each { |step, done| paper.text deviation_line(step, done), color: Shared::Paper::COPPER }
      end

      private

      def cleanings = report.job.readings_of("cleaning")

      def work_line(plan)
        safe = ", made safe and proved dead first" if plan.plan.gate.all? { |step| plan.done(step) }
        task = Shared::Words::TASKS.fetch(plan.task).downcase
        done = plan.finished? ? "all #{plan.steps.size} steps" : "#{plan.done_count} of #{plan.steps.size} steps so far"
        "#{plan.fan.long_label}, #{task}: #{done}#{safe}."
      end

      def measured_lines
        report.measured.map { |one| "#{one.where}, #{one.label}: #{words.show(one.value, one.kind)}" }
      end

      def deviation_line(step, done)
        "#{done.skipped? ? "Left out" : "Otherwise"}: #{words.in_own_units(step.text).delete_suffix(".")}: #{done.note}"
      end
    end
  end
end
