# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Which causes explain what was found on one fan, and what to test next.
    #
    # in:  a case (unit, position, context, findings, state, cost); see CaseFile
    # out: causes and sets of causes with their chances, none_of_these, the next
    #      tests with minutes and gain, contradictions, decisive, and as verdict
    #      the leading cause, "healthy" or "undetermined".
    # Source: docs/sources.md, causes/next-test.
    class Diagnose < Tool
      SHOWN_CAUSES = 0.005
      LEDGERS = 3

      def self.read(input, limits) = CaseFile.read(input, limits)

      def answer
        Result.new(verdict:, figures:, reasons: Reasons.new(self).list)
      end

      def posterior = @posterior ||= Posterior.of(question, model)

      def next_tests
        @next_tests ||= NextTests.new(question, posterior, offer, open_points, limits)
      end

      # By the set, and never with a complaint or a finding that it leaves unexplained.
      def decisive?
        posterior.leading_sets.first.last >= limits["diagnosis.decisive"] && open_points.none?
      end

      def open_points
        @open_points ||= OpenPoints.new(question, posterior, offer, contradictions, limits)
      end

      def verdict
        leader, chance = posterior.causes.first
        return HEALTHY if posterior.healthy >= [chance, posterior.none_of_these, limits["diagnosis.undetermined"]].max
        return "undetermined" if chance < [posterior.none_of_these, limits["diagnosis.undetermined"]].max
        leader.id
      end

      def companions
        return [] if verdict == HEALTHY || verdict == "undetermined"
        @companions ||= Companions.new(question, posterior, offer, limits).list
      end

      def stop
        return "decisive" if decisive?
        "no_test_worth_it" if next_tests.list.empty?
      end

      def book = @book ||= Ledger.new(posterior, limits)

      private

      def offer = @offer ||= Offer.new(question, posterior.model.equipment)

      def contradictions
        @contradictions ||= Contradictions.new(question, posterior, limits).list
      end

      def model = Model.for(question.equipment, question.experience)

      def figures
        {
          causes:,
          sets:,
          healthy: posterior.healthy.round(4),
          none_of_these: posterior.none_of_these.round(4),
          next_tests: decisive? ? [] : next_tests.list.map { |proposal| proposal_row(proposal) },
          before_leaving: next_tests.before_leaving.map { |proposal| proposal_row(proposal) },
          stop: stop,
          contradictions:,
          open: open_rows,
          companions: companions.map { |row| companion_row(row) },
          decisive: decisive?,
          ledger:,
          experience:,
          withheld: next_tests.withheld.map { |test, why| {test: test.id, why:} }
        }
      end

      def causes
        posterior
          .causes
          .select { |_, chance| chance >= SHOWN_CAUSES }
          .map { |cause, chance| {id: cause.id, probability: chance.round(4)} }
      end

      def sets
        posterior.leading_sets.map { |set, chance| {causes: set.map(&:id), probability: chance.round(4)} }
      end

      def proposal_row(proposal)
        {
          test: proposal.test.id,
          minutes: proposal.minutes,
          state: proposal.state,
          gain: proposal.gain.round(2),
          outcomes: proposal.outcomes,
          again: proposal.again
        }
      end

      def companion_row(row)
        one = row.companion
        {
          cause: one.second, with: one.first, kind: one.kind, why: one.why, probability: row.chance.round(4),
          standing: row.standing, look: row.look&.id, minutes: row.minutes, risk_minutes: row.risk_minutes
        }
      end

      # What keeps a likely set from being decisive, in words with the tests that close it.
      def open_rows
        return [] if posterior.leading_sets.first.last < limits["diagnosis.decisive"]
        open_points.unexplained.map { |one|
          {tests: [one.test.id], why: "#{one.test.short} is complained of and not explained: look for yourself"}
        } + open_points.unsettled.map { |cause, tests|
          {tests: tests.map(&:id), why: "#{cause.label} is not settled before #{either(tests)}"}
        } + open_points.companions.map { |one, tests|
          {tests: tests.map(&:id), why: "#{one.why}: look before you leave"}
        }
      end

      def either(tests)
        "one of these is looked at: #{tests.map { |test| test.short.downcase }.join(", ")}"
      end

      def ledger
        posterior
          .causes
          .keys
          .first(LEDGERS)
          .to_h do |cause|
            [
              cause.id,
              book
                .of(cause)
                .map do |entry|
                  {
                    test: entry.test.id,
                    outcome: entry.finding&.outcome,
                    factor: entry.factor.round(3),
                    strength: entry.strength
                  }
                end
            ]
          end
      end

      # How many of the shop's closed jobs stand behind the leading causes' rates.
      def experience
        return nil if question.experience.none?
        posterior
          .causes
          .keys
          .first(LEDGERS)
          .to_h { |cause| [cause.id, question.experience.behind(question.equipment, cause)] }
      end
    end
  end
end
