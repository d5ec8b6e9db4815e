# frozen_string_literal: true

module Shared
  # All fans of a unit side by side: what each does, how it sounds, what it draws,
  # whether its shaft gives, and which one is not like the others.
  class Bank
    TESTS = %w[fan_motion noise spin_by_hand shaft_play].freeze
    # Amps further from the others' median than this share stand out.
    ALIKE = 0.10

    Row = Fenbo::Value.of(:position, :outcomes, :reading, :odd)

    # Mean current of a reading's legs, A; nil where it has none.
    def self.mean(result)
      legs = result["legs"] or return nil
      legs.sum { |leg| leg["amps"] } / legs.size
    end

    def initialize(job, positions)
      @job = job
      @positions = positions.to_a
    end

    def rows
      @rows ||=
        @positions.map do |position|
          Row.new(position:, outcomes: outcomes(position), reading: reading(position), odd: odd(position))
        end
    end

    def odd_ones = rows.select(&:odd)

    # alike, higher or lower than the median of the other fans on this side; nil where
    # none of them was read.
    def beside(position, amps)
      others = reference(position)
      return nil if others.empty? || amps.nil?
      middle = median(others)
      return (amps.zero? ? "alike" : "higher") if middle.zero?
      return "alike" if (amps / middle - 1).abs <= ALIKE
      (amps > middle) ? "higher" : "lower"
    end

    def reading(position)
      live_readings.reverse.find { |one| one.fan_position_id == position.id }
    end

    private

    def live_readings
      @live_readings ||= @job.readings.select { |one| one.kind == "amps" && one.phase == "before" && !one.voided? }
    end

    # Amps of the other fans on this side: those inside their window, or all where none
    # is.
    def reference(position)
      others = @positions.select { |one| one.side == position.side && one != position && reading(one) }
      sound = others.select { |one| %w[within cannot_tell].include?(reading(one).verdict) }
      (sound.any? ? sound : others).filter_map { |one| amps_of(one) }
    end

    def amps_of(position) = (kept = reading(position)) && Bank.mean(kept.result)

    def outcomes(position)
      live =
        @job.findings.select { |one| one.fan_position_id == position.id && !one.voided? && TESTS.include?(one.test) }
      live.to_h { |one| [one.test, one] }
    end

    # Why this fan is not like its neighbours, in words; nil where it is.
    def odd(position)
      words = [odd_amps(position), *odd_outcomes(position)].compact
      words.join(", ") if words.any?
    end

    def odd_amps(position)
      said = beside(position, amps_of(position))
      "draws #{(said == "higher") ? "more" : "less"} than the others" if said && said != "alike" && agreed?(position)
    end

    # With one other fan, or others that differ, nobody can say which one is odd.
    def agreed?(position)
      others = reference(position)
      others.size >= 2 && others.max - others.min <= 2 * ALIKE * median(others)
    end

    def odd_outcomes(position)
      TESTS
        .first(2)
        .filter_map do |test|
          mine = outcomes(position)[test]&.outcome or next
          others = (@positions - [position]).filter_map { |one| outcomes(one)[test]&.outcome }
          if others.size >= 2 && others.uniq.one? && others.first != mine
            "alone #{Fenbo::Diagnosis::Test[test].label(mine).downcase}"
          end
        end
    end

    def median(values)
      sorted = values.sort
      middle = sorted.size / 2
      sorted.size.odd? ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2.0
    end
  end
end
