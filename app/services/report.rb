# frozen_string_literal: true

module Services
  # Everything the handover shows, gathered once for page and PDF.
  class Report
    Line = Fenbo::Value.of(:what, :value, :limit, :verdict, :at, :who, :fan)

    attr_reader :job

    def initialize(job)
      @job = job
    end

    def unit = job.unit

    def position = job.position_in_hand

    def decision = job.decision

    def handover = job.handover

    def findings = job.findings.reject(&:voided?)

    def readings(phase) = job.readings.reject(&:voided?).select { |reading| reading.kind == "amps" && reading.phase == phase }

    def choice = job.part_choice

    def visits = job.visits.select { |visit| visit.starts_at <= Time.now }

    def proof = @proof ||= Proof.new(job)

    def plan = @plan ||= WorkPlan.of(job)

    # What was measured along the work plan.
    def measured
      return [] unless plan
      plan.steps.filter_map { |step| (done = plan.done(step)) && done.measured && [step.measure["label"], done.measured, step.measure["kind"], done] }
    end

    def transferred = plan ? plan.steps.select { |step| step.transfer && plan.done(step) }.map(&:transfer) : []
  end
end
