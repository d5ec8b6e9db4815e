# frozen_string_literal: true

module Fenbo
  module Electrical
    # All fans of a unit side by side: what each does, how it sounds, what it draws,
    # whether its shaft gives, and which one is not like the others.
    class Bank
      TESTS = %w[fan_motion noise spin_by_hand shaft_play].freeze
      # Heard or seen of one fan alone, these make it the odd one.
      TELLING = TESTS.first(2).freeze
      GOOD = %w[within cannot_tell].freeze

      Row = Value.of(:fan, :outcomes, :reading, :odd)

      # Mean current of a reading's legs, A; nil where it has none.
      # @param answer [Answer] of the tool amps
      def self.mean(answer) = answer && Statistics.mean(answer.legs.map(&:amps))

      # @param job [JobFile::Job]
      def initialize(job, limits: Limits.default)
        @job = job
        @limits = limits
        @fans = job.unit.fans
      end

      def rows
        @rows ||= @fans.map { |fan| Row.new(fan:, outcomes: outcomes(fan), reading: reading(fan), odd: odd(fan)) }
      end

      def odd_ones = rows.select(&:odd)

      # alike, higher or lower than the median of the other fans on this side; nil where none
      # of them was read, or this one is in good standing and none of them is.
      # @param verdict [String, nil] of this fan's own reading
      def beside(fan, amps, verdict = reading(fan)&.verdict)
        others = reference(fan, verdict)
        return nil if others.empty? || amps.nil?
        middle = Statistics.median(others)
        return (amps.zero? ? "alike" : "higher") if middle.zero?
        return "alike" if (amps / middle - 1).abs <= @limits["bank.alike"]
        (amps > middle) ? "higher" : "lower"
      end

      def reading(fan)
        readings.reverse.find { |reading| reading.fan == fan.key }
      end

      private

      # Those whose answer can still be read; another core's may not.
      def readings
        @readings ||= @job.readings_of("amps", phase: "before").select(&:answer)
      end

      # Amps of the other fans on this side that are in good standing; of all of them where not
      # one fan is, this one neither.
      def reference(fan, verdict)
        others = @fans.select { |other| other.side == fan.side && other != fan && reading(other) }
        good = others.select { |other| GOOD.include?(reading(other).verdict) }
        return [] if good.empty? && GOOD.include?(verdict)
        (good.any? ? good : others).filter_map { |other| amps_of(other) }
      end

      def amps_of(fan) = Bank.mean(reading(fan)&.answer)

      def outcomes(fan)
        @job.live_findings.select { |finding| finding.fan == fan.key && TESTS.include?(finding.test) }
          .to_h { |finding| [finding.test, finding] }
      end

      # Why this fan is not like its neighbours, in words; nil where it is.
      def odd(fan)
        words = [odd_amps(fan), *odd_outcomes(fan)].compact
        words.join(", ") if words.any?
      end

      def odd_amps(fan)
        said = beside(fan, amps_of(fan))
        "draws #{(said == "higher") ? "more" : "less"} than the others" if said && said != "alike" && agreed?(fan)
      end

      # With one other fan, or others that differ, nobody can say which one is odd.
      def agreed?(fan)
        others = reference(fan, reading(fan)&.verdict)
        others.size >= 2 && others.max - others.min <= 2 * @limits["bank.alike"] * Statistics.median(others)
      end

      def odd_outcomes(fan)
        TELLING.filter_map do |test|
          mine = outcomes(fan)[test]&.outcome or next
          others = (@fans - [fan]).filter_map { |other| outcomes(other)[test]&.outcome }
          next unless others.size >= 2 && others.uniq.one? && others.first != mine
          "alone #{Diagnosis::Test[test].label(mine).downcase}"
        end
      end
    end
  end
end
