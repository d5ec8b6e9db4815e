# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # Whether a family's plan, as it is written, can be worked and reversed: what no schema
    # can say. Asked by `rake knowledge:check`.
    class Check
      # The order that must hold on every way through: locks off, then power.
      BEFORE = [%w[proved_dead power_on], %w[locks_off power_on], %w[counted locks_off]].freeze

      # @param cautions [Array<String>] ids that exist
      def initialize(family, cautions)
        @family = family
        @recipe = Recipe.of(family)
        @cautions = cautions
      end

      # Answers sentences, none when all holds. What no plan can be made with is told first, alone.
      def faults
        told = %i[runs measures whole].lazy.map { |part| send(part) }.find(&:any?)
        told.to_a.map { |text| "#{@family}.yml #{text}" }
      end

      private

      def whole
        [*ids, *cautions, *features, *tasks, *unreversed, *photos, *live, *order, *minutes]
      end

      def each_row(&) = @rows.flat_map(&)

      # Runs of steps that it shares with other plans; with them its rows can be read.
      def runs
        strange(@recipe.runs - Recipe.shared["runs"].keys, "use").tap { |list| @rows = @recipe.all_rows if list.empty? }
      end

      # No step twice on any way through.
      def ids
        @recipe.tasks.keys.filter_map do |task|
          twice = usual(task).steps.map(&:id).tally.find { |_, count| count > 1 }&.first
          "#{task}: #{twice} stands twice" if twice
        end
      end

      def cautions
        named = each_row { |row| row.fetch("caution", []) + (row["reverse"] || {}).fetch("caution", []) }
        strange(named - @cautions, "caution")
      end

      def features
        named = each_row { |row| row.fetch("only_if", {}).to_a + row.fetch("unless", {}).to_a }
        named.filter_map do |id, value|
          feature = @recipe.features[id] or next "features: #{id} does not exist"
          allowed = feature["choices"] || [true, false]
          wrong = [value].flatten(1) - allowed
          "features: #{id} is never #{wrong.join(", ")}" if wrong.any?
        end.uniq
      end

      def tasks
        known = TASKS + Recipe.shared["groups"].keys
        strange(each_row { |row|
          row.values_at("only_for", "unless_for", "not_with").compact.flatten
        } - known, "tasks") +
          strange(@recipe.tasks.keys - TASKS, "tasks")
      end

      def measures
        named = each_row { |row| [row["measure"], row.dig("reverse", "measure")].compact }
        strange(named - Recipe.shared["measures"].keys, "measure")
      end

      def unreversed
        @recipe.rows("apart").select { |row| row["removes"] && !row["reverse"] }
          .map { |row| "#{row["id"]}: removes #{row["removes"]} and is never put back" }
      end

      # What a step shows again was photographed.
      def photos
        taken = @rows.select { |row| row["photo"] }.map { |row| row["id"] }
        strange(each_row { |row| [row.dig("reverse", "shows")].compact } - taken, "shows")
      end

      # A meter reads with the power on.
      def live
        @rows.select { |row| row["reads"] && !row.fetch("caution", []).include?("live") }
          .map { |row| "#{row["id"]}: reads #{row["reads"]} without the caution live" }
      end

      def order
        @recipe.tasks.keys.flat_map do |task|
          at = usual(task).steps.each_with_index.to_h { |step, index| [step.id, index] }
          BEFORE.select { |first, then_| at[first] && at[then_] && at[first] > at[then_] }
            .map { |first, then_| "#{task}: #{first} has to come before #{then_}" }
        end
      end

      # The steps of the usual unit add up to what practitioners take.
      def minutes
        @recipe.tasks.compact.filter_map do |task, said|
          sum = usual(task).minutes
          "#{task}: the steps add up to #{sum} min, practitioners take #{said}" unless sum == said
        end
      end

      def usual(task)
        input = Input.new({"family" => @family, "task" => task})
        Plan.new(Plan.read(input, Limits.default), Limits.default)
      end

      def strange(ids, place)
        ids.empty? ? [] : ["#{place}: #{ids.uniq.join(", ")} does not exist"]
      end
    end
  end
end
