# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # A family's work plan as it is written, with the runs of steps it shares with others
    # taken in at their places.
    #
    #   Recipe.of("walk_in_cooler").rows("apart")   #=> [{"id" => "product_covered", …}, …]
    class Recipe
      PHASES = %w[gate apart exchange prove].freeze

      # @param family [String] one of `Recipe.families`
      def self.of(family) = new(Knowledge.table(family))

      # Families that have a plan: a file of their name.
      def self.families = Knowledge.table("families").keys & Knowledge.names

      def self.shared = Knowledge.table("shared_steps")

      def initialize(table)
        @table = table
      end

      def title = @table["title"]

      # Task => minutes that practitioners take for the usual unit, or nil.
      def tasks = @table["tasks"]

      # What is asked of the unit: the plan's own features, then those of every plan.
      # @return [Hash] id => {"ask", "flag" or "choices"}
      def features
        @features ||= @table["features"].merge(Recipe.shared["features"]) { |_, own, _| own }
      end

      # @param phase [String] one of PHASES
      # @return [Array<Hash>] rows in order
      def rows(phase)
        @table[phase].flat_map { |row| row.key?("use") ? Recipe.shared["runs"].fetch(row["use"]) : [row] }
      end

      # Names of the runs that it takes in.
      def runs
        PHASES.flat_map { |phase| @table[phase].filter_map { |row| row["use"] } }
      end

      def all_rows = PHASES.flat_map { |phase| rows(phase) }

      # As most units of the family are.
      def usual_features
        features.transform_values { |feature| feature.key?("flag") ? feature["flag"] : feature["choices"].first }
      end
    end
  end
end
