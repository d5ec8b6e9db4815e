# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # Which rows of a plan one task on one unit needs.
    class Wanted
      # Tasks that say by themselves on which side they are done.
      SIDES = {"evaporator_fan_motor" => "evaporator", "conversion_kit" => "evaporator",
               "condenser_fan_motor" => "condenser"}.freeze

      # Groups stand for their tasks.
      def self.tasks(names)
        names.flat_map { |name| Recipe.shared["groups"].fetch(name, [name]) }
      end

      # @param features [Hash] id => true, false or the choice
      def initialize(task, side, features)
        @task = task
        @side = SIDES.fetch(task, side)
        @features = features
      end

      def call(row)
        for_task?(row) && here?(row) && holds?(row.fetch("only_if", {})) && !excluded?(row)
      end

      # The features on which it hangs whether the task needs a row.
      # @return [Array<String>]
      def features_of(row)
        (for_task?(row) && here?(row)) ? row.fetch("only_if", {}).keys | row.fetch("unless", {}).keys : []
      end

      private

      def for_task?(row)
        return false if row["unless_for"] && Wanted.tasks(row["unless_for"]).include?(@task)
        row["only_for"].nil? || Wanted.tasks(row["only_for"]).include?(@task)
      end

      def here?(row) = row["if_side"].nil? || row["if_side"] == @side

      def excluded?(row) = row["unless"] && holds?(row["unless"])

      def holds?(conditions)
        conditions.all? { |feature, value| [value].flatten(1).include?(@features[feature]) }
      end
    end
  end
end
