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
        held = @model.holding.fetch(cause)
        now = held.sum { |h| @posterior.hypotheses[h] }
        @posterior.findings.map { |finding| Entry.new(finding:, factor: factor(without(finding), held, now)) }
          .sort_by { |entry| -Math.log(entry.factor).abs }
      end

      # Odds now over odds without the finding.
      def factor(before, held, now)
        inside = held.sum { |h| before[h] }
        ratio([now, 1 - now], [inside, before.sum - inside])
      end

      # The weight of each hypothesis had this finding not been made.
      def without(finding)
        @without ||= {}.compare_by_identity
        @without[finding] ||= begin
          index = finding.test.outcomes.index(finding.outcome)
          tables = @model.chances(finding.test)
          before = Array.new(@model.motion.size, 0.0)
          @posterior.weights.each_with_index { |row, m| undo(before, row, tables[m], index) }
          before
        end
      end

      def undo(before, row, table, index)
        h = 0
        while h < row.size
          before[h] += row[h] / [table[h][index], Float::MIN].max
          h += 1
        end
      end

      def ratio(now, before)
        tiny = 1e-300
        ((now[0] + tiny) / (now[1].abs + tiny)) / ((before[0] + tiny) / (before[1].abs + tiny))
      end
    end
  end
end
