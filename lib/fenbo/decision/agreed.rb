# frozen_string_literal: true

module Fenbo
  module Decision
    # What a customer said yes to beyond what is wrong, and nobody has put on the job yet: the
    # motor of a neighbour, changed on the same visit, or one that takes less than the one chosen.
    #
    #   Agreed.new(job).open.map(&:what)   #=> ["motor, changed on the same visit"]
    class Agreed
      # What such lines of a quote are called, or end with.
      NEIGHBOUR = "motor, changed on the same visit"
      UPGRADE = "instead, which takes less"

      # One line of what was agreed. `fan` is its key, `by` who agreed, `cents` before tax; part_no
      # of the motor to be taken instead, nil for a neighbour's.
      Line = Value.of(:what, :place, :fan, :by, :cents, part_no: nil) do
        def neighbour? = part_no.nil?

        # What is decided where it is taken on: what leads there, where a motor mends it.
        # @param verdict [String] of diagnose, at that fan
        def cause(verdict)
          (Diagnosis::Cause.all[verdict]&.part == "motor") ? verdict : Diagnosis::HEALTHY
        end
      end

      # @param job [JobFile::Job]
      def initialize(job)
        @job = job
      end

      # In the order of the quote.
      # @return [Array<Line>]
      def open
        lines.reject { |line| line.neighbour? ? taken_on?(line) : taken?(line) }
      end

      # The neighbour's motor that is still open at this fan.
      # @param fan [String] its key
      # @return [Line, nil]
      def neighbour(fan)
        open.find { |line| line.neighbour? && line.fan == fan }
      end

      private

      def lines
        approval = Approval.new(@job)
        yes = approval.given or return []
        approval.agreed_lines.filter_map { |line| read(line, yes) }
      end

      def read(line, yes)
        fan = @job.unit.fans.find { |one| one.long_label == line["place"] }
        part_no = line["what"][/\Amotor (\S+) #{UPGRADE}\z/o, 1]
        return if fan.nil? || (part_no.nil? && line["what"] != NEIGHBOUR)
        Line.new(what: line["what"], place: line["place"], fan: fan.key, by: yes.name, cents: line["cents"], part_no:)
      end

      def taken_on?(line)
        faults_at(line).any? { |fault| fault.decision&.action == "replace" }
      end

      def taken?(line)
        faults_at(line).any? { |fault| fault.part_choice&.motor&.part_no == line.part_no }
      end

      def faults_at(line)
        @job.faults.select { |fault| fault.open? && !fault.unit? && fault.fan.key == line.fan }
      end
    end
  end
end
