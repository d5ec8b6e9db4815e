# frozen_string_literal: true

module Circuits
  # One circuit as the page shows it: its moves judged by the tool `refrigerant`, the last charge
  # by the tool `charge`.
  class Ledger
    attr_reader :circuit

    # @param circuit [Fenbo::JobFile::Circuit]
    def initialize(job, circuit, limits:)
      @job = job
      @circuit = circuit
      @limits = limits
    end

    def asked = @asked ||= circuit.question

    def result = @result ||= Fenbo.call(:refrigerant, asked, limits: @limits)

    def warn = @limits["refrigerant.warn"]

    # How the last addition can be judged; nil where nobody noted which fans ran.
    def charge
      last = circuit.live_moves.reverse.find(&:added?)
      return unless last&.fans_running
      @charge ||= Fenbo.call(:charge, {
        "fans" => [fans, last.fans_running].max, "fans_running" => last.fans_running, "ambient_c" => last.ambient_c,
        "sight_glass" => last.sight_glass
      })
    end

    # The fans whose air the charge depends on: the condenser's where the unit has some.
    def fans
      sides = @job.unit.fans.group_by(&:side)
      (sides["condenser"] || sides["evaporator"]).to_a.size
    end
  end
end
