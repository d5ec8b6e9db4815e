# frozen_string_literal: true

module Fenbo
  class KnowledgeCheck
    # What one file calls by its id stands in another; sources have their heading.
    class References < Part
      SOURCES = File.join(ROOT, "docs/sources.md")
      # Asked on the way to another test; no part of a unit has it.
      OF_NO_PART = %w[noise_with_fan_disconnected].freeze

      private

      def look
        reuse
        asked
        seen_features
        rules
        company
        parts
        spares
        proof
        stopgaps
        sources
      end

      def outcomes(id) = tests[id]&.outcomes || []

      def reuse
        Knowledge.table("reuse").each do |id, row|
          unknown([id] - tests.keys, "reuse.yml")
          unknown(row["sound"] + row.fetch("damage", {}).keys - outcomes(id), "reuse.yml #{id}")
        end
      end

      def asked
        tests.each_value do |test|
          unknown(test.cautions - cautions, "tests.yml #{test.id} caution")
          test.not_after.merge(test.only_after)
            .each { |id, said| unknown(said - outcomes(id), "tests.yml #{test.id} after #{id}") }
        end
      end

      def seen_features
        WorkPlan::Recipe.shared["features"].each do |id, row|
          row.fetch("seen", {}).each { |test, said| unknown(said - outcomes(test), "shared_steps.yml #{id} seen") }
        end
      end

      def rules
        table = Diagnosis.rules
        table["complaint"]["kinds"].each do |kind, row|
          unknown(row["ordinary"] - outcomes(row["test"]), "inference.yml complaint #{kind}")
        end
        unknown(causes.values.filter_map(&:part) - table["wrong_repair"].keys, "inference.yml wrong_repair")
        unknown(table["impossible"].flatten - causes.keys, "inference.yml impossible")
        unknown(table["ice"]["shows"].keys - tests.keys, "inference.yml ice")
        unknown(table["coloured"]["tests"] - tests.keys, "inference.yml coloured")
        unknown(table["coloured"]["motions"] - table["motions"], "inference.yml coloured")
      end

      # Companions and what settles a cause name what exists.
      def company
        Knowledge.table("companions").each do |first, rows|
          unknown([first, *rows.keys] - causes.keys, "companions.yml")
          rows.each { |second, row| unknown(row["looks"] - tests.keys, "companions.yml #{first} #{second} looks") }
        end
        causes.each_value { |cause|
          unknown(cause.settled_by.flatten - tests.keys, "causes.yml #{cause.id} settled_by")
          unknown(cause.cautions - Knowledge.table("cautions").keys, "causes.yml #{cause.id} caution")
          unknown([cause.task].compact - WorkPlan::TASKS, "causes.yml #{cause.id} task")
          unknown(cause.parts.drop(1) - Knowledge.table("spares").values.map { |row| row["part"] },
            "causes.yml #{cause.id} or_part")
          unknown(cause.tells_part - tests.keys, "causes.yml #{cause.id} part_told")
          work = [cause.part, cause.task, cause.minutes].compact
          fault("causes.yml #{cause.id}: a part, a task or minutes say how it is mended") unless work.one?
        }
      end

      def parts
        traits = families.values.flat_map { |row| row["traits"] }
        rows = Knowledge.table("parts")
        rows.each do |id, row|
          unknown(row["tests"] - tests.keys, "parts.yml #{id} tests")
          unknown(row.fetch("needs", []) - traits, "parts.yml #{id} needs")
        end
        left_out = tests.keys - rows.values.flat_map { |row| row["tests"] } - OF_NO_PART
        fault("parts.yml: no part has #{left_out.join(", ")}") if left_out.any?
      end

      # Every kind of part has its columns in the catalogue, a plan, and limits that exist.
      def spares
        sheet = Knowledge.table("catalogue")["spares"]
        unknown(Knowledge.table("spares").keys - sheet["kind"]["choices"], "spares.yml kinds")
        Knowledge.table("spares").each do |id, row|
          unknown(row["columns"].keys - sheet.keys, "spares.yml #{id} columns")
          unknown([row["task"]] - WorkPlan::TASKS, "spares.yml #{id} task")
          columns = row["columns"].values
          limits(columns.filter_map { |one| one["share"] }.map { |share| "spares.#{share}" } +
            columns.filter_map { |one| one["work"] }.map { |work| "adapt.#{work}" }, "spares.yml #{id} limits")
        end
      end

      def proof
        table = Knowledge.table("checks")
        rows = table["checks"].values
        named = rows.flat_map { |row| row.fetch("only_for", []) } + table["amps_for"]
        unknown(named - WorkPlan::TASKS - WorkPlan::Recipe.shared["groups"].keys, "checks.yml tasks")
        unknown(rows.flat_map { |row| row.fetch("causes", []) } - causes.keys, "checks.yml causes")
        unknown(rows.flat_map { |row| row.fetch("families", []) } - families.keys, "checks.yml families")
      end

      def stopgaps
        rows = Knowledge.table("stopgaps").values
        named = rows.flat_map { |row| row.values_at("slows", "holds").compact }
        limits(named.map { |name| "stopgap.#{name}" }, "stopgaps.yml limits")
        unknown(rows.flat_map { |row| row.fetch("caution", []) } - cautions, "stopgaps.yml caution")
      end

      # Every source id has its heading in docs/sources.md.
      def sources
        known = File.read(SOURCES).scan(/^### `([^`]+)`/).flatten
        unknown(Limits.entries.values.map { |row| row["source"] } - known, "limits.yml source")
      end
    end
  end
end
