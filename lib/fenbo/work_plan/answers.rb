# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # How the unit of a job is, feature by feature, as its plan asks: as kept with the unit, as its
    # record says, and as it was seen on the job. What the plan no longer knows is left out, so
    # that yesterday's answer is read by today's plan.
    class Answers
      # What the unit's record says itself, and is changed there.
      OF_THE_RECORD = %w[flammable wet].freeze
      private_constant :OF_THE_RECORD

      # @param features [Hash] those of the family, by id
      # @param for_plan [Hash] those that change something about the plan
      def initialize(job, fan, features, for_plan: features)
        @job = job
        @fan = fan
        @features = features
        @for_plan = for_plan
      end

      # What may be asked of a unit of the family (Plan.features).
      attr_reader :features

      # @return [Hash] id => true, false or the choice
      def to_h
        @to_h ||= kept.merge("flammable" => unit.flammable, "wet" => unit.wet, **seen)
      end

      # What has to be said for the plan: not what the record says, or what was seen on the job.
      # @return [Hash] id => {"ask", "flag" or "choices"}
      def asked
        @asked ||= @for_plan.except(*OF_THE_RECORD).reject { |_, feature| feature.key?("seen") }
      end

      # Whether that is still to be asked: nothing of it was ever said, or a choice was not.
      def open?
        unknown = asked.except(*kept.keys)
        unknown.any? && (unknown.size == asked.size || unknown.any? { |_, feature| feature.key?("choices") })
      end

      # As noted, else as most are.
      def at(id)
        value = to_h[id]
        return value unless value.nil?
        features[id]["flag"].nil? ? features[id]["choices"].first : features[id]["flag"]
      end

      private

      def unit = @job.unit

      def kept
        @kept ||= unit.features.select do |id, value|
          feature = features[id] or next false
          (feature["choices"] || [true, false]).include?(value)
        end
      end

      def seen
        features.select { |_, row| row["seen"] }.transform_values { |row|
          row["seen"].any? { |test, outcomes| outcomes.include?(last_outcome(test)) }
        }
      end

      def last_outcome(test)
        @job.live_findings.reverse.find { |one| one.test == test && one.about?(@fan.key) }&.outcome
      end
    end
  end
end
