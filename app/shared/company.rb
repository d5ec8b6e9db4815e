# frozen_string_literal: true

module Shared
  # What usually comes with a decided cause, as it stood when it was decided and as looks
  # since then left it. A decision of before there were companions has none.
  class Company
    # seen: the finding made since, nil while nobody looked.
    Row = Fenbo::Value.of(:cause, :why, :standing, :chance, :look, :seen) do
      def label = Fenbo::Diagnosis::Cause.label(cause)

      # Nobody has looked, neither before nor since.
      def unseen? = standing == "not_looked" && seen.nil?

      # In so many of a hundred it is there, rounded to fives below fifty.
      def in_hundred = [(chance * 20).round * 5, 1].max
    end

    # @param job [Fenbo::JobFile::Job]
    # @param fault [Fenbo::JobFile::Fault]
    def initialize(job, fault)
      @job = job
      @fault = fault
    end

    # @return [Array<Row>]
    def rows
      @rows ||= decision ? kept.reject { |row| row["standing"] == "found" }.filter_map { |row| row_of(row) } : []
    end

    def unseen = rows.select { |row| row.unseen? && !worked?(row.cause) }

    # Looked for and not there, before the decision or since.
    def ruled_out
      rows.select { |row| row.standing == "ruled_out" || (row.seen && ordinary?(row.seen)) }
    end

    # Looked at since the decision, and not as it should be: another fault.
    def found_since = rows.select { |row| row.seen && !ordinary?(row.seen) }

    # In a sentence or two for a customer; nil where there is nothing to say.
    def words
      said = []
      said << "Looked for beside it and not found: #{names(ruled_out)}." if ruled_out.any?
      said.concat(found_since.map { |row| "Seen since: #{row.seen.test_short.downcase} “#{row.seen.label.downcase}”." })
      said.concat(unseen.map { |row|
        "Not looked at: #{Fenbo::Diagnosis.low(row.label)}, there in about #{row.in_hundred} of 100 such cases."
      })
      said.join(" ") if said.any?
    end

    private

    def decision = @fault.decision

    def kept = decision.standing["companions"] || []

    def row_of(row)
      # A cause of another release may be unknown here.
      return nil unless Fenbo::Diagnosis::Cause.all.key?(row["cause"])
      Row.new(cause: row["cause"], why: row["why"], standing: row["standing"], chance: row["probability"],
        look: row["look"] && Fenbo::Diagnosis::Test.all[row["look"]], seen: seen(row["cause"]))
    end

    # The last look since the decision that tells of the cause.
    def seen(cause)
      links = decision.causes.filter_map { |id| Fenbo::Diagnosis::Companion.all.dig(id, cause) }
      looks = links.flat_map(&:looks)
      @job.live_findings.reverse.find do |one|
        looks.include?(one.test) && one.taken_at > decision.taken_at && (one.fan.nil? || one.fan == @fault.fan.key)
      end
    end

    # The work itself saw to it: a blade washed, a capacitor that is new.
    def worked?(cause)
      steps = Fenbo::Proof::Checklist.steps_for(cause)
      @job.steps.any? do |one|
        steps.include?(one.step) && !one.skipped? && one.done_at > decision.taken_at &&
          @job.fault_at(@job.fault_key(one)).fan == @fault.fan
      end
    end

    def ordinary?(finding)
      Fenbo::Diagnosis::Test[finding.test].ordinary.include?(finding.outcome)
    end

    def names(rows)
      rows.map { |row| Fenbo::Diagnosis.low(row.label) }.join(", ")
    end
  end
end
