# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # How far each finding moved a cause: the chance of the finding with the cause
    # against without it, all other findings taken as read (a leave-one-out Bayes
    # factor). Above one it speaks for the cause, below one against it.
    class Ledger
      Entry =
        Value.of(:finding, :evidence, :factor, :limits) do
          def for? = factor >= 1

          def test = evidence.test

          # What was said, in words.
          def said = finding ? finding.label : "as the customer says"

          # How much it speaks, in words.
          def strength
            size = for? ? factor : 1 / factor
            word = WORDS.find { |limit, _| size >= limits["diagnosis.#{limit}"] }&.last || "hardly"
            "#{word} #{for? ? "for" : "against"}"
          end
        end

      # From which factor on a finding speaks how loudly, loudest first.
      WORDS = {"strong_factor" => "strongly", "clear_factor" => "clearly", "weak_factor" => "a little"}.freeze

      def initialize(posterior, limits)
        @posterior = posterior
        @limits = limits
        @model = posterior.model
      end

      # @return [Array<Entry>] the finding that moved it most first
      def of(cause)
        @entries ||= {}
        @entries[cause] ||= weigh(cause)
      end

      private

      def weigh(cause)
        place = @model.place(cause)
        held = @posterior.sets.each_index.select { |h| @posterior.sets[h].include?(place) }
        now = held.sum { |h| @posterior.hypotheses[h] }
        @posterior
          .evidence
          .map { |one| entry(one, factor(without(one), held, now)) }
          .sort_by { |entry| -Math.log(entry.factor).abs }
      end

      def entry(one, factor)
        Entry.new(finding: one.finding, evidence: one, factor:, limits: @limits)
      end

      # Odds now over odds without the finding.
      def factor(before, held, now)
        inside = held.sum { |h| before[h] }
        ratio([now, 1 - now], [inside, before.sum - inside])
      end

      # The weight of each hypothesis had this not been said.
      def without(one)
        (@without ||= {}.compare_by_identity)[one] ||= begin
          before = Array.new(@posterior.hypotheses.size, 0.0)
          @posterior.weights.each_with_index { |row, m| undo(before, row, @posterior.likelihood(one)[m]) }
          before
        end
      end

      def undo(before, row, likelihoods)
        h = 0
        while h < row.size
          before[h] += row[h] / likelihoods[h] if likelihoods[h].positive?
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
