# frozen_string_literal: true

module Fenbo
  class KnowledgeCheck
    # The work plans, each by itself, and what adapting a part adds to them.
    class Plans < Part
      private

      def look
        WorkPlan::Recipe.families.flat_map { |family| WorkPlan::Check.new(family, cautions).faults }
          .each { |text| fault(text) }
        unknown(families.keys - WorkPlan::Recipe.families, "families.yml, work plan of")
        Knowledge.table("extra_work").each do |id, row|
          unknown(row.fetch("caution", []) - cautions, "extra_work.yml #{id} caution")
          unknown(row.fetch("instead_of", []) - step_ids, "extra_work.yml #{id} instead_of")
          limits(["adapt.#{id}"], "extra_work.yml #{id}: limit")
        end
      end

      def step_ids
        @step_ids ||= WorkPlan::Recipe.families.flat_map { |family|
          WorkPlan::Recipe.of(family).all_rows.map { |row| row["id"] }
        }.uniq
      end
    end
  end
end
