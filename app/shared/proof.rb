# frozen_string_literal: true

module Shared
  # What has to be seen before a job is proved, and what has been.
  class Proof
    CHECKS = {
      "nothing_inside" => "Nothing left inside: tools and screws counted",
      "clear_all_round" => "Blade turns free and clears all round",
      "right_way" => "Right way round, by the air it moves",
      "no_new_noise" => "No rub and no new noise",
      "covers_on" => "Covers and panels on: they are part of the air path",
      "undone" => "Temporary things undone: stages, lockouts, valves, water",
      "falling" => "Box temperature falling"
    }.freeze

    def initialize(job)
      @job = job
      @done = job.proof_checks.index_by(&:check_id)
    end

    def checks = CHECKS

    def done?(id) = @done.key?(id)

    def done_by(id) = @done[id]&.user

    def after
      @after ||=
        @job.readings.reverse.find { |reading| reading.kind == "amps" && reading.phase == "after" && !reading.voided? }
    end

    def before
      @before ||=
        @job.readings.reverse.find do |reading|
          reading.kind == "amps" && reading.phase == "before" && !reading.voided? &&
            reading.fan_position_id == @job.position_in_hand&.id
        end
    end

    # What is still missing, in words.
    def missing
      list = CHECKS.reject { |id, _| done?(id) }.values
      list << "Amps after the work, inside the window" unless after && %w[within not_by_amps].include?(after.verdict)
      list
    end

    def proved? = missing.empty?
  end
end
