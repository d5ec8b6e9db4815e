# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What still stands open when one set of causes leads, however likely it is: a complaint
    # that it does not explain, a finding that contradicts it, a look without which it is
    # taken for its effect or for something duller (`settled_by` in causes.yml), a quick look
    # at what usually comes along.
    class OpenPoints
      def initialize(case_file, posterior, offer, contradictions, limits)
        @case_file = case_file
        @posterior = posterior
        @offer = offer
        @contradictions = contradictions
        @limits = limits
        @leading = posterior.sets.each_index.max_by { |h| posterior.hypotheses[h] }
      end

      # Tests that would close one of them and may be done.
      # @return [Array<Test>]
      def tests
        (unexplained.map(&:test) + unsettled.flat_map(&:last) + contradicted + companions.flat_map(&:last)).uniq
      end

      def none?
        unexplained.empty? && unsettled.empty? && @contradictions.empty? && companions.empty?
      end

      # Complaints that nobody has looked at yet and the leading set does not explain.
      # @return [Array<Evidence>]
      def unexplained
        @unexplained ||= @posterior.evidence.select do |one|
          one.complaint? && @posterior.chance_under(@leading, one) < @limits["diagnosis.unexplained"] && open?(one.test)
        end
      end

      # [[cause, tests of which one is missing]]
      def unsettled
        @unsettled ||=
          @posterior.leading_set.flat_map { |cause|
            cause.settled_by.filter_map { |group| missing(cause, group.map { |id| Test[id] }) }
          }
      end

      # [[companion, [the look that tells]]]: what usually comes along and a quick look in the
      # present state would show.
      def companions
        @companions ||=
          @posterior.leading_set.flat_map { |cause| Companion.of(cause, @posterior.model.equipment.side).values }
            .select { |one| one.share >= @limits["diagnosis.companion_share"] && exists?(one.second) }
            .filter_map { |one| quick(one) }
      end

      private

      def exists?(id) = @posterior.model.causes.any? { |cause| cause.id == id }

      def quick(companion)
        looks = companion.looks.map { |id| Test[id] }
        return nil if looks.any? { |test| answered?(test) }
        look = looks.find { |test| open?(test) && quick_here?(test) }
        [companion, [look]] if look
      end

      def quick_here?(test)
        @offer.minutes(test) == test.minutes && test.minutes <= @limits["diagnosis.quick_look_minutes"]
      end

      def answered?(test)
        @case_file.own_findings.any? { |finding| finding.test_id == test.id }
      end

      def missing(cause, group)
        return nil if group.any? { |test| answered?(test) }
        may = group.select { |test| open?(test) }
        [cause, may] if may.any?
      end

      def contradicted
        @contradictions.filter_map { |row| Test[row[:test]] if @offer.why_not_again(Test[row[:test]]).nil? }
          .reject { |test| @case_file.settled?(test) }
      end

      def open?(test) = @offer.why_not(test).nil?
    end
  end
end
