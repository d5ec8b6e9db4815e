# frozen_string_literal: true

module Fenbo
  module Proof
    # What has to be seen before a job is proved (knowledge/proof/checks.yml), and what has
    # been.
    class Checklist
      # @return [Hash{String => String}] check => what it asks for
      def self.checks = Knowledge.table("checks")

      # Verdicts of amps that prove a repair.
      PROVING = %w[within not_by_amps].freeze

      # @param job [JobFile::Job]
      def initialize(job)
        @job = job
        @done = job.proof_checks.to_h { |check| [check.check, check] }
      end

      def checks = Checklist.checks

      def done?(id) = @done.key?(id)

      def done_by(id) = @done[id]&.by

      # Fans that were worked on; the one in hand where nothing was decided.
      # @return [Array<JobFile::Fault>]
      def worked_on
        @worked_on ||= @job.faults.select(&:worked_on?).then do |list|
          list.any? ? list : [@job.fault_of(@job.fan_in_hand)]
        end
      end

      # What is still missing, in words.
      def missing
        list = checks.reject { |id, _| done?(id) }.values
        list + worked_on.reject { |fault| proving?(fault.after) }.map { |fault| amps_of(fault) }
      end

      def proving?(reading) = !reading.nil? && PROVING.include?(reading.verdict)

      # Named where more than one fan was worked on; with the turns that would settle a reading.
      def amps_of(fault)
        where = " of #{fault.fan.label}" if worked_on.size > 1
        turns = fault.after&.verdict == "cannot_tell" && fault.after.answer&.turns_needed
        "Amps after the work#{where}, inside the window#{": wrap #{turns} turns and read again" if turns}"
      end

      def proved? = missing.empty?
    end
  end
end
