# frozen_string_literal: true

module Units
  # A unit's latest job, as far as its page shows it: what was found, and leaks that are open.
  class Latest
    # What was found of one fan, or of the unit.
    Seen = Fenbo::Value.of(:fan, :test, :outcome) do
      def voided? = false

      # Among others of its fan: "runs", "no air"
      def told = Fenbo::Diagnosis::Test[test].told(outcome)
    end

    # What was done about a fault at one fan, once its job is closed.
    Done = Fenbo::Value.of(:fan, :cause, :what) do
      def voided? = false

      def test = "done"

      def outcome = what

      # "bearing seized: new motor"
      def told
        "#{Fenbo::Diagnosis.low(Fenbo::Diagnosis::Cause.label(cause))}: #{what}"
      end
    end
    WHAT = {"replace" => "new part", "repair" => "repaired", "clean" => "cleaned", "other" => "seen to"}.freeze

    # @param job [Job]
    def initialize(unit, job)
      @unit = unit
      @job = job
    end

    def number = @job.number

    def opened_at = @job.opened_at

    # Whether it was left otherwise than it was found.
    def done? = @job.status == "closed" && worked_on.any?

    # Of the fans that were left alone what was found; of a unit that was worked on nothing that
    # may have gone with the work.
    # @return [Array<Seen>] oldest first
    def findings
      @findings ||= done? ? found.reject { |seen| seen.fan.nil? || done.map(&:fan).include?(seen.fan) } : found
    end

    # What is known of each fan, in words.
    # @return [Array<Seen, Done>] latest first
    def told = done? ? done + findings.reverse : findings.reverse

    # Leaks found on any job and not yet seen to hold.
    def open_leaks
      found = LeakSearch.live.where(circuit: @unit.circuits, found: true).includes(:leak_checks)
      found.count { |leak| leak.leak_checks.reject(&:voided?).max_by(&:taken_at)&.tight != true }
    end

    private

    def found
      Finding.live.where(job_id: @job.id).order(:taken_at, :id).pluck(:fan_position_id, :test, :outcome)
        .map { |id, test, outcome| Seen.new(fan: keys[id], test:, outcome:) }
    end

    def done
      @done ||= worked_on.map do |one|
        Done.new(fan: keys[one.fan_position_id], cause: one.causes.first, what: what(one))
      end
    end

    def worked_on
      @worked_on ||= @job.decisions.select { |one| one.voided_at.nil? && WHAT.key?(one.action) && cause?(one) }
    end

    def cause?(decision)
      Fenbo::Diagnosis::Cause.all.key?(decision.causes.first)
    end

    def what(decision)
      motor_in?(decision) ? "new motor" : WHAT.fetch(decision.action)
    end

    def motor_in?(decision)
      decision.action == "replace" && new_motors.include?(decision.fault)
    end

    # The faults for which a motor went in.
    def new_motors
      @new_motors ||= PartChoice.where(job: @job).where.not(fitted_at: nil).where.not(motor_id: nil).pluck(:fault)
    end

    def keys
      @keys ||= @unit.fan_positions.to_h { |position| [position.id, position.key] }
    end
  end
end
