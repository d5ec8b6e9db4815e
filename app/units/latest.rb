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

    # @param job [Job]
    def initialize(unit, job)
      @unit = unit
      @job = job
    end

    def number = @job.number

    def opened_at = @job.opened_at

    # @return [Array<Seen>] oldest first
    def findings
      @findings ||= Finding.live.where(job_id: @job.id).order(:taken_at, :id).pluck(:fan_position_id, :test, :outcome)
        .map { |id, test, outcome| Seen.new(fan: keys[id], test:, outcome:) }
    end

    # Leaks found on any job and not yet seen to hold.
    def open_leaks
      found = LeakSearch.live.where(circuit: @unit.circuits, found: true).includes(:leak_checks)
      found.count { |leak| leak.leak_checks.reject(&:voided?).max_by(&:taken_at)&.tight != true }
    end

    private

    def keys
      @keys ||= @unit.fan_positions.to_h { |position| [position.id, position.key] }
    end
  end
end
