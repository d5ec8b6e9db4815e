# frozen_string_literal: true

module Shared
  # Keeps what an instrument read, with the findings it amounts to; takes both back.
  class InstrumentReading
    def initialize(job, position, user)
      @job = job
      @position = position
      @user = user
    end

    # Findings come of readings before the repair only: afterwards they would speak of
    # another motor.
    def keep(instrument, client_id:, phase:, visit:)
      Reading.transaction do
        known = Reading.find_by(client_id:)
        reading =
          Reading.record(
            client_id:,
            job: @job,
            visit:,
            fan_position: @position,
            user: @user,
            kind: instrument.tool,
            phase:,
            typed: instrument.kept_typed,
            question: instrument.asked.as_json,
            result: instrument.result.to_h.as_json,
            verdict: instrument.result.verdict,
            meter: @user.meter_for_core
          )
        note(instrument.findings.merge(beside(instrument)), reading, visit) if phase == "before" && reading != known
        reading
      end
    end

    def void(reading, reason)
      Reading.transaction do
        reading.void(@user, reason)
        reading.findings.each { |finding| finding.void(@user, "its reading was taken back") }
      end
    end

    private

    def note(findings, reading, visit)
      findings.each do |id, outcome|
        test = Fenbo::Diagnosis::Test[id]
        Finding.record(
          client_id: SecureRandom.uuid,
          job: @job,
          visit:,
          fan_position: (@position unless test.unit?),
          user: @user,
          test: id,
          outcome:,
          reading:
        )
      end
    end

    # How this fan's amps compare with its neighbours', once some of them were read.
    def beside(instrument)
      return {} unless instrument.tool == "amps"
      outcome =
        Bank.new(@job, @position.unit.fan_positions).beside(@position, Bank.mean(instrument.result.to_h.as_json))
      outcome ? {"amps_beside_neighbours" => outcome} : {}
    end
  end
end
