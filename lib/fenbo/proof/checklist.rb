# frozen_string_literal: true

module Fenbo
  module Proof
    # What has to be seen before a job is proved (knowledge/proof/checks.yml), for what was
    # worked on at this unit, and what has been.
    class Checklist
      # @return [Hash{String => Hash}] check => its row
      def self.all = Knowledge.table("checks")["checks"]

      # Steps of the work plans that see what is asked because of this cause, and of nothing else.
      # @return [Array<String>]
      def self.steps_for(cause)
        all.values.select { |row|
          row["causes"]&.include?(cause) && !row["only_for"]
        }.flat_map { |row| row["steps"].to_a }
      end

      # Verdicts of amps that prove a repair.
      PROVING = %w[within not_by_amps].freeze
      # Verdicts that disprove it: the fault goes back to Decide with what was learned.
      FAILING = %w[over under none locked].freeze

      # @param job [JobFile::Job]
      def initialize(job)
        @job = job
        @again = again = job.unit.fans.filter_map { |fan| job.retested_at(fan.key) }.max
        # What was seen after a repair that did not prove has to be seen again.
        @done = job.proof_checks.reject { |check| again && check.done_at < again }.to_h { |check| [check.check, check] }
      end

      # What is asked for here, check => its words.
      # @return [Hash{String => String}]
      def checks
        @checks ||= Checklist.all.select { |_, row|
          wanted?(row)
        }.transform_values { |row| row["text"] }
      end

      # Decided, and hands laid on nothing: only what was opened for the look is asked after.
      def looked_only?
        @job.faults.any?(&:decision) && @job.faults.none?(&:hands_on?)
      end

      # In words, that what was wrong by this cause is mended; nil until it was seen. What is asked of
      # other work too says least of it.
      def mended(cause)
        seen = checks.select { |id, _| Checklist.all.dig(id, "causes")&.include?(cause) && done?(id) }
        seen.min_by.with_index { |(id, _), index| [Checklist.all.fetch(id)["only_for"] ? 1 : 0, index] }&.last
      end

      # Ticked, or answered by a reading or by the work plan.
      def done?(id)
        @done.key?(id) || !answered(id).nil? || !seen_at_work(id).nil?
      end

      def done_by(id)
        @done[id]&.by || answered(id)&.by || seen_at_work(id)&.by
      end

      # The last step of the work plans that saw it, where every fault that asks for it has such a
      # step done: nobody is asked twice. A step left out saw nothing.
      # @return [JobFile::StepDone, nil]
      def seen_at_work(id)
        row = Checklist.all.fetch(id)
        ids = row["steps"] or return
        told = worked_on.select { |fault| asked?(row, fault) }.map { |fault| step_of(fault, ids) }
        told.max_by(&:done_at) if told.any? && told.all?
      end

      # The reading after the work that answers a check; nil where none does, or it says no.
      def answered(id)
        asked = Checklist.all.dig(id, "reading") or return
        told = @job.readings_of(asked["tool"], phase: "after").select { |one| @again.nil? || one.taken_at > @again }
        told.last if asked["says"].include?(told.last&.verdict)
      end

      # The instruments that this check-list asks for besides the clamp.
      def instruments
        checks.keys.filter_map { |id| Checklist.all.dig(id, "reading", "tool") }.uniq
      end

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
        # Two faults of one fan want one reading.
        list + measured.reject { |fault| proving?(fault.after) }.map { |fault| amps_of(fault) }.uniq
      end

      # Faults that a reading has to prove.
      def measured
        return [] if looked_only?
        tasks = WorkPlan::Wanted.tasks(Knowledge.table("checks")["amps_for"])
        worked_on.select { |fault| tasks.include?(task(fault)) }
      end

      # Faults whose reading after the work says that something is still wrong.
      def failed
        worked_on.select { |fault| fault.after && FAILING.include?(fault.after.verdict) }
      end

      def proving?(reading) = !reading.nil? && PROVING.include?(reading.verdict)

      # Named where more than one fan was worked on; with the turns that would settle a reading.
      def amps_of(fault)
        where = " of #{@job.unit.called(fault.fan)}" if worked_on.map(&:fan).uniq.size > 1
        turns = fault.after&.verdict == "cannot_tell" && fault.after.answer&.turns_needed
        "Amps after the work#{where}, inside the window#{": wrap #{turns} turns and read again" if turns}"
      end

      def proved? = missing.empty?

      private

      # Whether the job was closed before it was asked for: what was proved then stays so.
      def later?(row)
        row["since"] && @job.closed_at && @job.closed_at.strftime("%F") < row["since"]
      end

      def wanted?(row)
        return false if later?(row) && !row["only_for"]
        looked_only? ? row["looked"] : worked_on.any? { |fault| asked?(row, fault) }
      end

      def step_of(fault, ids)
        keys = [fault.key, leading(fault)]
        @job.steps.select do |one|
          keys.include?(one.fault) && ids.include?(one.step) && !one.skipped? && (@again.nil? || one.done_at > @again)
        end.max_by(&:done_at)
      end

      # The fault whose plan keeps the ticks of the opening it was worked in.
      def leading(fault)
        work = WorkPlan::Opening::Work.new(fault:, task: WorkPlan::Task.for_fault(@job.unit.family, fault))
        WorkPlan::Opening.new(@job, fault).with(work).first.fault.key
      end

      # By which plan it was worked on; nil where no fan was touched.
      def task(fault)
        (WorkPlan::Task.for_fault(@job.unit.family, fault) unless beside_fans?(fault))
      end

      # Mended by hand, and not at a fan: a setting, a drain, the supply.
      def beside_fans?(fault) = !!fault.by_hand&.unit?

      # By the work or by the cause, and by what sits there.
      def asked?(row, fault)
        (for_work?(row, fault) || for_cause?(row, fault)) && here?(row, fault)
      end

      def for_cause?(row, fault)
        !later?(row) && (fault.decision&.causes.to_a & row.fetch("causes", [])).any?
      end

      def for_work?(row, fault)
        return !!row["beside"] if beside_fans?(fault)
        return row["causes"].nil? unless row["only_for"]
        WorkPlan::Wanted.tasks(row["only_for"]).include?(task(fault))
      end

      def here?(row, fault)
        plate = @job.plate_after(fault.fan)
        one_of?(row["families"], @job.unit.family) && one_of?(row["motors"], plate&.family) &&
          one_of?(row["controls"], plate&.control) && (row.fetch("traits", []) - traits).empty? &&
          (!row["bank"] || bank?(fault.fan))
      end

      def one_of?(allowed, value) = allowed.nil? || allowed.include?(value)

      def traits = Knowledge.table("families")[@job.unit.family]["traits"]

      def bank?(fan) = @job.unit.fans.count { |one| one.side == fan.side } > 1
    end
  end
end
