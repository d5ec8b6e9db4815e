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
          "fit" => "Along the shaft"
        ).freeze

      attr_reader :job, :shop

      # @param job [Fenbo::JobFile::Job]
      # @param shop [String] whose report it is
      def initialize(job, limits:, shop:, now: Time.now)
        @job = job
        @shop = shop
        @limits = limits
        @now = now
      end

      def unit = job.unit

      # What it is about, in a line: every place with a fault, else the fan in hand.
      def places
        names = faults.map(&:place).uniq
        (names.any? ? names : [job.fan_in_hand.long_label]).join(", ")
      end

      # Every fan about which something was decided or chosen.
      def faults = job.faults

      def handover = job.handover

      def findings = job.live_findings

      def readings(phase) = job.readings_of("amps", phase:)

      # Why each reading says what it says: limit, value and source, an amps reading's too.
      # @return [Array<Array(Fenbo::JobFile::Reading, Array<Fenbo::Reason>)>]
      def reasoned
        job.live_readings.filter_map { |reading| [reading, reading.reasons] if reading.reasons.any? }
      end

      # What a kind of reading is called.
      def name_of(kind) = NAMES.fetch(kind)

      # Every other reading, in words: what was measured, painted or heard, and where.
      def besides
        job.live_readings
          .reject { |one| one.kind == "amps" }
          .map do |one|
            Besides.new(
              where: (one.kind == "frost") ? "Coil" : one.place,
              what: NAMES.fetch(one.kind),
              verdict: said(one),
              reading: one
            )
          end
      end

      # The last map of the coil, to be drawn.
      def frost_map = job.readings_of("frost").last

      def visits = job.visits.select { |visit| visit.starts_at <= @now }

      def proof = @proof ||= Fenbo::Proof::Checklist.new(job)

      def plan
        @plan ||= Fenbo::WorkPlan::Progress.of(job, limits: @limits)
      end

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
        return "behind #{unit.fan(iciest(reading))&.label || "one fan"}" if reading.verdict == "behind_one_fan"
        Fenbo::Diagnosis::Test[test].label(reading.verdict).downcase
      end

      # The fan whose zone stands out most.
      def iciest(reading)
        reading.answer.features.zones.select(&:contrast).max_by(&:contrast)&.position
      end
    end
  end
end
