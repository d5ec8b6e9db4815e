# frozen_string_literal: true

module Stations
  module HandOver
    # What was done, in the customer's words, from what was recorded: proposed for the report,
    # changed or kept by whoever hands over.
    class Proposed
      # @param job [Fenbo::JobFile::Job]
      # @param proof [Fenbo::Proof::Checklist]
      # @param voice [Shared::Voice]
      def initialize(job, proof:, voice:)
        @job = job
        @proof = proof
        @voice = voice
      end

      # Nothing where nothing was decided.
      def text
        told = @job.faults.select(&:decision).map { |fault| fault_told(fault) }
        [*told, *afterwards].join(" ") if told.any?
      end

      private

      def fault_told(fault)
        ["#{fault.place}: #{Fenbo::Diagnosis.low(fault.decision.label)}.", done(fault), reading(fault),
          *fault.also.filter_map { |cause| along(cause) }].compact.join(" ")
      end

      def done(fault)
        return "#{@voice.part_words(fault).upcase_first}." if fault.part_choice&.thing
        return "It was cleaned." if @job.readings_of("cleaning", fan: fault.fan.key).any?
        return "To be watched." if fault.decision.action == "wait"
        along(Fenbo::Diagnosis::Cause.all[fault.decision.causes.first]) if fault.worked_on?
      end

      # What was decided along with it, as it was seen to be mended.
      def along(cause)
        text = cause && @proof.mended(cause.id)
        "#{text}." if text
      end

      def reading(fault)
        return unless @job.tells_amps?(fault) && @proof.proving?(fault.after)
        "Afterwards it read #{@voice.read_words(fault.after)}, as it should."
      end

      def afterwards
        [("Everything was seen to run as it should." if @proof.proved? && !@proof.looked_only?), on_leaving].compact
      end

      # Nobody is told of a box as if it were cold that is still over the limit of its product.
      def on_leaving
        left = @job.presence.made.last&.leaving_c or return
        limit = Fenbo::Product::JobClock.limit_of(@job)
        still = ", still over the #{@voice.show(limit, "temperature")} its product must stay below" if limit&.< left
        "The box stood at #{@voice.show(left, "temperature")} on leaving#{still}."
      end
    end
  end
end
