# frozen_string_literal: true

# The two simulated worlds that diagnosis is held against, behind one face: a job drawn by
# its number, what is wrong with it, and the same unit again with some of it mended.
module Worlds
  # One job: `rig` as Errand reads it, `observer` for its answers.
  Job = Struct.new(:rig, :observer, :again, keyword_init: true) do
    def faults = rig.faults

    # The same unit when `left` is all that is still wrong.
    def mended(left) = again.call(left)
  end

  # Figures and physics.
  module First
    NAME = "first world (physics)"
    SEED = 1_000_003

    module_function

    def draw(seed, number)
      random = Random.new(seed * SEED + number)
      of(FenboSimulation::CaseMaker.new(random).draw)
    end

    def of(observer)
      Job.new(rig: observer.rig, observer:, again: ->(left) { of(observer.with_faults(left)) })
    end
  end

  # Histories and conditions.
  module Second
    NAME = "second world (histories)"
    SEED = 2_000_003
    # What the bench needs of a place, under the names of the first world.
    Rig = Struct.new(:family, :side, :motor, :neighbours, :age, :recent_work, :faults, keyword_init: true) do
      def equipment
        @equipment ||= Fenbo::Diagnosis::Equipment.new(family:, side:, motor:)
      end
    end

    module_function

    def draw(seed, number)
      dice = FenboSimulation::Yard::Dice.new(Random.new(seed * SEED + number))
      loop do
        place = FenboSimulation::Yard::Place.drawn(dice)
        job = at(place, FenboSimulation::Yard::History.new(place, dice).faults, dice)
        return job if job.faults.empty? || job.observer.symptoms.any?
      end
    end

    def at(place, faults, dice)
      condition = FenboSimulation::Yard::Condition.new(place, faults, dice)
      witness = FenboSimulation::Yard::Witness.new(condition, dice, answers)
      rig = Rig.new(**place.to_h.slice(:family, :side, :motor, :neighbours, :age, :recent_work), faults:)
      Job.new(rig:, observer: witness, again: ->(left) { at(place, left, dice) })
    end

    def answers
      @answers ||= Fenbo::Diagnosis::Test.all.transform_values { |test| test.outcomes - ["not_visible", "unclear"] }
    end
  end

  ALL = [First, Second].freeze
end
