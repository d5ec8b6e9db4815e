# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Says in words why Diagnose comes to its verdict: what leads, what was seen for and against
    # it, what comes along, what was left aside, why it stops.
    class Reasons
      include Reasoning

      STANDINGS = {
        "found" => "comes with it",
        "ruled_out" => "was looked for and is ruled out", "open" => "stays open after a look",
        "not_looked" => "was not looked at", "unlikely" => "is unlikely by what was found"
      }.freeze

      # @param diagnosis [Diagnose]
      def initialize(diagnosis)
        @diagnosis = diagnosis
        @posterior = diagnosis.posterior
      end

      def list
        [leading_reason, *evidence, *explained, *company_reasons, *set_aside, stop_reason].compact
      end

      private

      attr_reader :diagnosis, :posterior

      def limits = diagnosis.limits

      def question = diagnosis.question

      def leading_reason
        set, chance = posterior.leading_sets.first
        limit_reason(
          "#{best_words(set, apart: apart(set))}: #{in_hundred(chance)}, after #{count(posterior.findings.size)}",
          "diagnosis.decisive",
          value: chance.round(4)
        )
      end

      # The leading cause where it is shared out over so many sets that none of them leads.
      def apart(set)
        leader, chance = posterior.causes.first
        return if diagnosis.verdict != leader.id || set.include?(leader)
        "#{leader.label}: #{in_hundred(chance)}, alone or with others; as a whole, "
      end

      def in_hundred(chance) = "#{(chance * 100).round} in 100"

      # Of one set of causes: these and no others, which is less sure than each by itself.
      # @param apart [String, nil] what goes before it in the sentence
      def best_words(set, apart: nil)
        return "That nothing is wrong with it explains it best" if set.empty?
        said = Diagnosis.together(set.map(&:id), by: "together with")
        said = apart + Diagnosis.low(said) if apart
        (set.size == 1) ? "#{said}, and nothing besides, explains it best" : "#{said} explain it best"
      end

      def count(findings)
        (findings == 1) ? "one finding" : "#{findings} findings"
      end

      # The findings that moved the leading cause, in words.
      def evidence
        cause = posterior.leading_set.max_by { |one| posterior.causes[one] } || posterior.causes.keys.first
        diagnosis
          .book
          .of(cause)
          .reject { |entry| entry.strength.start_with?("hardly") }
          .first(5)
          .map do |entry|
            reason(
              "#{entry.test.short} “#{entry.said.downcase}” speaks #{entry.strength} #{Diagnosis.low(cause.label)}",
              "evidence.#{entry.test.id}",
              value: entry.factor.round(2),
              source: "causes/bearing-on-each-other"
            )
          end
      end

      # What is no sign of this fan, because of another.
      def explained
        question.explained.map do |one, fault|
          limit_reason("#{one.test.short} “#{one.finding.label.downcase}” is explained by #{fault.words}",
            "diagnosis.unexplained", value: question.decided.chance(fault, one).round(4))
        end
      end

      # What comes along, by how it stands.
      def company_reasons
        diagnosis.companions.map do |row|
          limit_reason(
            company_words(row),
            "diagnosis.companion_share",
            value: row.chance.round(4)
          )
        end
      end

      def company_words(row)
        said = "#{Cause[row.companion.second].label} #{"likely " if likely?(row)}#{STANDINGS.fetch(row.standing)}"
        %w[ruled_out unlikely].include?(row.standing) ? said : "#{said}: #{Diagnosis.low(row.companion.why)}"
      end

      def likely?(row)
        row.standing == "found" && row.chance < limits["diagnosis.decisive"]
      end

      def set_aside
        question
          .own_findings
          .reject { |finding| posterior.model.equipment.test?(finding.test) }
          .map do |finding|
            reason(
              "#{finding.test.short} is left aside: #{posterior.model.equipment.why_not(finding.test)}",
              "finding.not_here",
              source: "causes/tests"
            )
          end
      end

      def stop_reason
        case diagnosis.stop
        when "decisive"
          limit_reason("Decisive: no further test is needed before acting", "diagnosis.decisive")
        when "no_test_worth_it"
          reason("No test left would save more than it costs", "stop.no_test_worth_it", source: "causes/next-test")
        end
      end
    end
  end
end
