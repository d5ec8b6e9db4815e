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

      # The last reading after the work.
      def after = @job.readings_of("amps", phase: "after").last

      # The last before it, of the fan in hand.
      def before
        @job.readings_of("amps", phase: "before", fan: @job.fan_in_hand&.key).last
      end

      # What is still missing, in words.
      def missing
        list = checks.reject { |id, _| done?(id) }.values
        list << "Amps after the work, inside the window" unless after && PROVING.include?(after.verdict)
        list
      end

      def proved? = missing.empty?
    end
  end
end
