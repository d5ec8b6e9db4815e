# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What usually comes with the leading causes, and how each of it stands: found, ruled out
    # by a look, still open after one, unlikely by what else was found, or not looked at and
    # what that risks.
    class Companions
      Row = Value.of(:companion, :chance, :standing, :look, :minutes, :risk_minutes)

      # @param open_points [OpenPoints]
      def initialize(case_file, posterior, offer, limits)
        @case_file = case_file
        @posterior = posterior
        @offer = offer
        @limits = limits
      end

      # @return [Array<Row>] the likeliest first; one a second cause
      def list
        @list ||=
          links
            .sort_by { |one| [-chance(one), one.second] }
            .uniq(&:second)
            .map { |one| row(one) }
      end

      private

      def links
        @posterior.leading_set.flat_map { |cause| Companion.of(cause, @posterior.model.equipment.side).values }
          .select { |one| one.share >= @limits["diagnosis.companion_share"] && there?(one.second) }
      end

      # Two that bring each other are told once, of the less likely of them.
      def there?(id)
        id != @posterior.causes.first.first.id && @posterior.model.causes.any? { |cause| cause.id == id }
      end

      def chance(companion)
        @posterior.causes.fetch(Cause[companion.second], 0.0)
      end

      def row(companion)
        look = companion.looks.map { |id| Test[id] }.find { |test| @offer.why_not(test).nil? }
        standing = standing(companion)
        Row.new(
          companion:, chance: chance(companion), standing:, look:, minutes: look && @offer.minutes(look),
          risk_minutes: (standing == "found") ? 0 : (chance(companion) * @limits["diagnosis.second_trip_minutes"]).round
        )
      end

      def standing(companion)
        return "found" if @posterior.leading_set.any? { |cause| cause.id == companion.second }
        looked = companion.looks.any? { |id| answered?(id) }
        return looked ? "ruled_out" : "unlikely" if chance(companion) < @limits["diagnosis.ruled_out"]
        looked ? "open" : "not_looked"
      end

      def answered?(id)
        @case_file.own_findings.any? { |finding| finding.test_id == id }
      end
    end
  end
end
