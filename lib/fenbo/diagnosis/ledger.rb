# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # How far each finding moved a cause: the chance of the finding with the cause
    # against without it, all other findings taken as read (a leave-one-out Bayes
    # factor). Above one it speaks for the cause, below one against it.
    class Ledger
      Entry = Value.of(:finding, :factor) do
        def for? = factor >= 1

        # In words, for the screen.
        def strength
          size = for? ? factor : 1 / factor
          word = if size >= 20
            "strongly"
          elsif size >= 4
            "clearly"
          else
            (size >= 1.5) ? "a little" : "hardly"
          end
          "#{word} #{for? ? "for" : "against"}"
        end
      end

      def initialize(posterior)
        @posterior = posterior
        @model = posterior.model
      end

      # @return [Array<Entry>] the finding that moved it most first
      def of(cause)
        @entries ||= {}
        @entries[cause] ||= weigh(cause)
      end

      private

      def weigh(cause)
        inside = @model.sets.map { |set| set.include?(cause) } << false
        @posterior.findings.map { |finding| Entry.new(finding:, factor: factor(finding, inside)) }
          .sort_by { |entry| -Math.log(entry.factor).abs }
      end

      # Odds now over odds without the finding.
      def factor(finding, inside)
        index = finding.test.outcomes.index(finding.outcome)
        tables = @model.chances(finding.test)
        now = [0.0, 0.0]
        before = [0.0, 0.0]
        @posterior.weights.each_with_index do |row, m|
          row.each_with_index do |weight, h|
            side = inside[h] ? 0 : 1
            now[side] += weight
            before[side] += weight / [tables[m][h][index], Float::MIN].max
          end
        end
        ratio(now, before)
      end

      def ratio(now, before)
        tiny = 1e-300
        ((now[0] + tiny) / (now[1] + tiny)) / ((before[0] + tiny) / (before[1] + tiny))
      end
    end
  end
end
