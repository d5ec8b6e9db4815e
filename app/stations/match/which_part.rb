# frozen_string_literal: true

module Stations
  module Match
    # A decided cause that may be one part or another: which test tells, and what it told.
    class WhichPart
      # @param job [Fenbo::JobFile::Job]
      # @param fault [Fenbo::JobFile::Fault]
      # @param kinds [Array<Fenbo::Matching::SpareKind>] that this unit has
      def initialize(job, fault, kinds)
        @closed = job.closed?
        @fault = fault
        @cause = Fenbo::Diagnosis::Cause.of_part(fault.decision&.causes)
        @told = job.live_findings.reverse.find { |one| @cause&.tells_part.to_a.include?(one.test) }
        @kinds = kinds
      end

      # Nothing to say where a part is chosen, the cause means only one, or the job is over.
      def open? = !@closed && @fault.part_choice.nil? && may_be.size > 1

      def cause = @cause.label

      # The usual one first; what was found not to be it left out.
      def may_be
        parts = @cause&.parts.to_a
        parts = (@fault.part == @cause.part) ? [@fault.part] : parts - [@cause.part] if @told
        parts.filter_map { |part| @kinds.find { |kind| kind.part == part } }
      end

      # What was found that tells: "Defrost heater: good"; nil where nothing was.
      def told
        return unless @told
        test = Fenbo::Diagnosis::Test[@told.test]
        "#{test.short}: #{Fenbo::Diagnosis.low(test.label(@told.outcome))}"
      end

      # The test that would tell; nil where there is none, or it was made.
      def test
        Fenbo::Diagnosis::Test[@cause.tells_part.first] if @told.nil? && @cause.tells_part.any?
      end
    end
  end
end
