# frozen_string_literal: true

module Shared
  # A job's records as the case `diagnose` takes.
  class CaseBuilder
    # @param without [Finding, nil] one to leave out: what stood before it
    def initialize(job, position, today: Date.today, without: nil)
      @job = job
      @position = position
      @today = today
      @without = without
    end

    def to_h
      {
        "unit" => {"family" => unit.family, "refrigerant" => unit.refrigerant, "fans" => fans}.compact,
        "position" => @position.key,
        "context" => {
          "side" => @position.side,
          "age_years" => age,
          "recent_work" => @job.recent_work,
          "complaint" => @job.complaint_kinds
        }.compact,
        "findings" => findings.map { |finding| finding.to_core(keys) },
        "state" => @job.state,
        "cost" => {
          "minute" => Setting.read("rate_per_hour_cents") / 6000.0
        },
        "experience" => Experience.experience
      }.compact
    end

    def findings
      @findings ||= @job.findings.select { |finding| !finding.voided? && finding != @without }
    end

    private

    def unit = @job.unit

    # The core's names of the unit's fans, by id.
    def keys
      @keys ||= unit.fan_positions.to_h { |position| [position.id, position.key] }
    end

    def fans
      unit.fan_positions.map do |position|
        {"position" => position.key, "motor" => {"family" => position.motor_now&.family}.compact}
      end
    end

    def age
      years = @position.motor_now&.age_years(@today)
      years&.round(1)&.clamp(0, 100)
    end
  end
end
