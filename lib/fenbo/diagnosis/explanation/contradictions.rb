# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Findings that do not fit the leading causes. They are shown and offered for
    # repetition, never averaged away.
    class Contradictions
      def initialize(case_file, posterior, limits)
        @case_file = case_file
        @posterior = posterior
        @limits = limits
      end

      # @return [Array<Hash>] {test:, outcome:, why:, would_fit:}
      def list = disagreeing + unlikely

      private

      def disagreeing
        @case_file.disagreements.map do |answers|
          first, last = answers.first, answers.last
          {
            test: last.test_id,
            outcome: first.outcome,
            would_fit: nil,
            why:
              "#{last.test.short} was answered twice: “#{first.label}”, then “#{last.label}”. Both stand and " \
                "speak against each other: do it once more, and take back the wrong one."
          }
        end
      end

      def unlikely
        @posterior
          .evidence
          .reject(&:complaint?)
          .filter_map do |one|
            chance = @posterior.chance_under(leading, one)
            next if chance >= @limits["diagnosis.contradiction"]
            fitting, better = best_fit(one)
            next if chance >= better * @limits["diagnosis.contradiction_ratio"]
            {
              test: one.test.id,
              outcome: one.finding.outcome,
              would_fit: fitting,
              why: why(one.finding, chance, fitting)
            }
          end
      end

      def leading
        @leading ||= @posterior.sets.each_index.max_by { |h| @posterior.hypotheses[h] }
      end

      # The single cause that would show this finding most often.
      def best_fit(one)
        singles
          .map do |h, set|
            [set.empty? ? HEALTHY : @posterior.model.causes[set.first].id, @posterior.chance_under(h, one)]
          end
          .max_by(&:last)
      end

      def singles
        @singles ||= @posterior.sets.each_with_index.filter_map { |set, h| [h, set] if set.size <= 1 }
      end

      def why(finding, chance, fitting)
        seldom =
          if chance < @limits["diagnosis.never"]
            "next to never"
          else
            "in only #{(chance * 100).round.clamp(1, 99)} of 100 cases"
          end
        "#{finding.test.short} “#{finding.label.downcase}” goes with #{leading_name} #{seldom}; it would fit " \
          "#{Diagnosis.low(Cause.label(fitting))}. Repeat it, or look for a second cause."
      end

      def leading_name
        return "a healthy fan" if @posterior.leading_set.empty?
        @posterior.leading_set.map { |cause| Diagnosis.low(cause.label) }.join(" and ")
      end
    end
  end
end
