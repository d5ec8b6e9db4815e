# frozen_string_literal: true

module Stations
  module HandOver
    # Everything the handover shows, gathered once for page and PDF.
    class Report
      Besides = Fenbo::Value.of(:where, :what, :verdict, :reading)

      NAMES =
        Shared::Instrument::ALL.merge(
          "frost" => "Frost map",
          "sound" => "Sound",
          "fit" =>
            "Along the " \
              "shaft"
        ).freeze

      attr_reader :job

      def initialize(job)
        @job = job
      end

      def unit = job.unit

      def position = job.position_in_hand

      def decision = job.decision

      def handover = job.handover

      def findings = job.findings.reject(&:voided?)

      def readings(phase)
        job.readings.reject(&:voided?).select { |reading| reading.kind == "amps" && reading.phase == phase }
      end

      # Every other reading, in words: what was measured, painted or heard, and where.
      def besides
        job
          .readings
          .reject { |one| one.voided? || one.kind == "amps" }
          .map do |one|
            Besides.new(
              where: (one.kind == "frost") ? "Coil" : one.fan_position&.label&.capitalize || "Unit",
              what: NAMES.fetch(one.kind),
              verdict: said(one),
              reading: one
            )
          end
      end

      # The last map of the coil, to be drawn.
      def frost_map
        job.readings.reject { |one| one.voided? || one.kind != "frost" }.last
      end

      def choice = job.part_choice

      def visits = job.visits.select { |visit| visit.starts_at <= Time.now }

      def proof = @proof ||= Shared::Proof.new(job)

      def plan = @plan ||= Shared::WorkPlan.of(job)

      # What was measured along the work plan.
      def measured
        return [] unless plan
        plan.steps.filter_map do |step|
          (done = plan.done(step)) && done.measured &&
            [step.measure["label"], done.measured, step.measure["kind"], done]
        end
      end

      def transferred
        plan ? plan.steps.select { |step| step.transfer && plan.done(step) }.map(&:transfer) : []
      end

      private

      # Frost and sound in the words of their tests; nil where the verdict's own will do.
      def said(reading)
        test = {"frost" => "frost_pattern", "sound" => "sound_recording"}[reading.kind] or return nil
        return "behind #{unit.position(iciest(reading))&.label || "one fan"}" if reading.verdict == "behind_one_fan"
        Fenbo::Diagnosis::Test[test].label(reading.verdict).downcase
      end

      def iciest(reading)
        reading
          .result
          .dig("features", "zones")
          &.select { |zone| zone["contrast"] }
          &.max_by { |zone| zone["contrast"] }
          &.fetch("position")
      end
    end
  end
end
