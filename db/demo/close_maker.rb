# frozen_string_literal: true

require "forwardable"
module Demo
  # How a demo job ends: the proof, the paper signed.
  class CloseMaker
    extend Forwardable

    def_delegators :@scene, :row, :job, :unit, :who, :hand, :visit, :file, :last_moment

    def initialize(scene)
      @scene = scene
    end

    def make
      prove if row["proved"]
      hand_over if row["hand_over"]
      stations
    end

    private

    def prove
      Fenbo::Proof::Checklist.new(file).checks.each_key do |id|
        ProofCheck.create!(job:, check_id: id, user: who, done_at: last_moment)
      end
      plate = hand.motor_now
      healthy = (plate.amps_at(unit.supply_volts) * 0.93 * 3).round(2)
      watts = (plate.watts * 0.85 if plate.family == "ec")
      ilka = User.find_by!(login: "ilka")
      AmpsReading.new(job, visit, hand, ilka).keep([healthy], at: last_moment, watts:, phase: "after")
    end

    def hand_over
      strokes = [
        [[0.1, 0.6], [0.18, 0.25], [0.26, 0.7], [0.34, 0.4], [0.45, 0.62], [0.6, 0.45]],
        [[0.62, 0.66], [0.9, 0.5]]
      ]
      Handover.create!(
        job:,
        user: who,
        summary: row["hand_over"],
        signed_name: unit.site.customer.contact,
        signature: strokes,
        signed_at: last_moment
      )
      case row["closed"]
      when "countersign"
        job.update!(status: "awaiting_countersign", closed_by: who)
      when true
        job.update!(status: "closed", closed_by: who, closed_at: last_moment)
      end
    end

    def stations
      done = Job::STATIONS.first(Job::STATIONS.index(row["station"]) + (row["hand_over"] ? 1 : 0))
      done.each { |station| StationStep.create!(job:, station:, state: "done", done_by: who, done_at: last_moment) }
    end
  end
end
