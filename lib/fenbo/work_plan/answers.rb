# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # How the unit of a job is, feature by feature, as its plan asks: as kept with the unit, as its
    # record says, and as it was seen on the job. What the plan no longer knows is left out, so
    # that yesterday's answer is read by today's plan.
    class Answers
      # @param features [Hash] those of the plan, by id
      def initialize(job, fan, features)
        @job = job
        @fan = fan
        @features = features
      end

      # What is asked of the unit (Plan.features).
      attr_reader :features

      # @return [Hash] id => true, false or the choice
      def to_h
        @to_h ||= kept.merge("flammable" => unit.flammable, "wet" => unit.wet, **seen)
      end

      # Whether somebody has said how this unit is.
      def any? = (features.keys & unit.features.keys).any?

      # As noted, else as most are.
      def at(id)
        value = to_h[id]
        return value unless value.nil?
        features[id]["flag"].nil? ? features[id]["choices"].first : features[id]["flag"]
      end

      private

      def unit = @job.unit

      def kept
        unit.features.select do |id, value|
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
