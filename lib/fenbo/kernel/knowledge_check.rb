# frozen_string_literal: true

require "json"
require "json_schemer"
require_relative "knowledge_check/limit_use"

module Fenbo
  # Proves the knowledge files: their shape by JSON Schema, then what no schema
  # can say: rows that sum to one, ids that exist, sources that resolve, causes
  # that some finding can reach, pairs that no test tells apart.
  class KnowledgeCheck
    Report = Struct.new(:faults, :notes)
    SCHEMAS = File.join(Knowledge::FOLDER, "schemas")
    ROOT = File.expand_path("../../..", __dir__)
    SOURCES = File.join(ROOT, "docs/sources.md")
    # Distributions closer than this (half the summed differences) look alike.
    ALIKE = 0.25

    def run
      @report = Report.new([], [])
      shapes
      return @report if @report.faults.any?
      sums
      references
      sources
      separable
      @report.faults.concat(LimitUse.of_the_house(ROOT).faults)
      @report
    end

    private

    def fault(text) = @report.faults << text

    def tests = Diagnosis::Test.all

    def causes = Diagnosis::Cause.all

    def shapes
      Knowledge.names.each do |name|
        file = File.join(SCHEMAS, "#{schema_of(name)}.json")
        next fault("#{name}.yml has no schema in knowledge/schemas") unless File.file?(file)
        JSONSchemer
          .schema(JSON.parse(File.read(file)))
          .validate(Knowledge.table(name))
          .each do |problem|
            fault(
              "#{name}.yml at #{problem["data_pointer"].empty? ? "the top" : problem["data_pointer"]}: " \
              "#{problem["error"]}"
            )
          end
      end
    end

    # The plans of all families have one schema.
    def schema_of(name)
      WorkPlan::Recipe.families.include?(name) ? "work_plan" : name
    end

    def sums
      Knowledge
        .table("tests")
        .each do |id, row|
          tables = {
            "usual" => row["usual"],
            "usual_condenser" => row["usual_condenser"],
            **row.fetch("usual_by_motor", {}).transform_keys { |motor| "usual_by_motor #{motor}" }
          }.compact
          tables.each do |key, table|
            table.each { |motion, chances| whole("tests.yml #{id} #{key} #{motion}", chances, row["outcomes"].keys) }
          end
          unknown(
            row.fetch("ordinary", []) + row.fetch("tells_nothing", []) - row["outcomes"].keys,
            "tests.yml #{id} ordinary, tells_nothing"
          )
        end
      Knowledge.table("causes").each { |id, row| cause_sums(id, row) }
    end

    def whole(place, chances, outcomes)
      if (chances.keys - outcomes).any?
        fault("#{place}: names #{(chances.keys - outcomes).join(", ")}, which is no outcome")
      end
      fault("#{place}: leaves out #{(outcomes - chances.keys).join(", ")}") if (outcomes - chances.keys).any?
      fault("#{place}: sums to #{chances.values.sum.round(4)} instead of 1") unless (chances.values.sum - 1).abs < 1e-6
    end

    def cause_sums(id, row)
      running_rows(id, row)
      [row, *row.fetch("for", {}).values].each do |block|
        motion = block["motion"]&.values&.sum || 1
        fault("causes.yml #{id} motion: sums to #{motion.round(4)} instead of 1") unless (motion - 1).abs < 1e-6
        Diagnosis::Cause::BLOCKS.each do |key|
          block.fetch(key, {}).each { |test, shown| shown_row("causes.yml #{id} #{key} #{test}", test, shown) }
        end
      end
    end

    def shown_row(place, test, shown)
      return fault("#{place}: there is no such test") unless tests.key?(test)
      unknown = shown.keys - tests[test].outcomes
      fault("#{place}: #{unknown.join(", ")} is no outcome of it") if unknown.any?
      fault("#{place}: sums to #{shown.values.sum.round(4)}, more than 1") if shown.values.sum > 1 + 1e-9
    end

    def references
      cautions = Knowledge.table("cautions").keys
      Knowledge
        .table("reuse")
        .each do |id, row|
          unknown([id] - tests.keys, "reuse.yml")
          unknown(row["sound"] + row.fetch("damage", {}).keys - (tests[id]&.outcomes || []), "reuse.yml #{id}")
        end
      tests.each_value do |test|
        unknown(test.cautions - cautions, "tests.yml #{test.id} caution")
        test
          .not_after
          .merge(test.only_after)
          .each { |id, outcomes| unknown(outcomes - (tests[id]&.outcomes || []), "tests.yml #{test.id} after #{id}") }
      end
      Diagnosis.rules["complaint"]["kinds"].each do |kind, row|
        unknown(row["ordinary"] - (tests[row["test"]]&.outcomes || []), "inference.yml complaint #{kind}")
      end
      unknown(causes.values.filter_map(&:part) - Diagnosis.rules["wrong_repair"].keys, "inference.yml wrong_repair")
      unknown(Diagnosis.rules["impossible"].flatten - causes.keys, "inference.yml impossible")
      plan_references(cautions)
      company_references
      part_references
      spare_references
      proof_references
      stopgap_references
    end

    # Companions and what settles a cause name what exists.
    def company_references
      Knowledge.table("companions").each do |first, rows|
        unknown([first, *rows.keys] - causes.keys, "companions.yml")
        rows.each { |second, row| unknown(row["looks"] - tests.keys, "companions.yml #{first} #{second} looks") }
      end
      causes.each_value { |cause| unknown(cause.settled_by.flatten - tests.keys, "causes.yml #{cause.id} settled_by") }
      unknown(Diagnosis.rules["ice"]["shows"].keys - tests.keys, "inference.yml ice")
    end

    # What a fan does only while it turns belongs under a motion: a fan that another cause
    # stopped shows none of it.
    RUNNING = %w[fan_motion noise sound_recording airflow amps amps_beside_neighbours].freeze

    def running_rows(id, row)
      blocks = [row, *row.fetch("for", {}).values]
      wrong = blocks.flat_map { |block| block.fetch("shows", {}).keys } & RUNNING
      fault("causes.yml #{id}: #{wrong.join(", ")} belongs under a motion, not under shows") if wrong.any?
    end

    def part_references
      traits = Knowledge.table("families").values.flat_map { |row| row["traits"] }
      Knowledge
        .table("parts")
        .each do |id, row|
          unknown(row["tests"] - tests.keys, "parts.yml #{id} tests")
          unknown(row.fetch("needs", []) - traits, "parts.yml #{id} needs")
        end
      left_out =
        tests.keys - Knowledge.table("parts").values.flat_map { |row| row["tests"] } - %w[noise_with_fan_disconnected]
      fault("parts.yml: no part has #{left_out.join(", ")}") if left_out.any?
    end

    def plan_references(cautions)
      WorkPlan::Recipe.families.flat_map { |family| WorkPlan::Check.new(family, cautions).faults }
        .each { |text| fault(text) }
      unknown(Knowledge.table("families").keys - WorkPlan::Recipe.families, "families without a work plan:")
      Knowledge.table("extra_work").each do |id, row|
        unknown(row.fetch("caution", []) - cautions, "extra_work.yml #{id} caution")
        unknown(["adapt.#{id}"] - Limits.entries.keys, "extra_work.yml #{id}: limit")
      end
    end

    def stopgap_references
      named = Knowledge.table("stopgaps").values.flat_map { |row| row.values_at("slows", "holds").compact }
      unknown(named.map { |name| "stopgap.#{name}" } - Limits.entries.keys, "stopgaps.yml limits")
    end

    def proof_references
      tasks = WorkPlan::TASKS + WorkPlan::Recipe.shared["groups"].keys
      rows = Knowledge.table("checks")["checks"].values
      named = rows.flat_map { |row| row.fetch("only_for", []) } + Knowledge.table("checks")["amps_for"]
      unknown(named - tasks, "checks.yml tasks")
      unknown(rows.flat_map { |row| row.fetch("causes", []) } - causes.keys, "checks.yml causes")
      unknown(rows.flat_map { |row|
        row.fetch("families", [])
      } - Knowledge.table("families").keys, "checks.yml families")
    end

    # Every kind of part has its columns in the catalogue, a plan, and limits that exist.
    def spare_references
      sheet = Knowledge.table("catalogue")["spares"]
      unknown(Knowledge.table("spares").keys - sheet["kind"]["choices"], "spares.yml kinds")
      Knowledge.table("spares").each do |id, row|
        unknown(row["columns"].keys - sheet.keys, "spares.yml #{id} columns")
        unknown([row["task"]] - WorkPlan::TASKS, "spares.yml #{id} task")
        shares = row["columns"].values.filter_map { |column| column["share"] }.map { |share| "spares.#{share}" }
        works = row["columns"].values.filter_map { |column| column["work"] }.map { |work| "adapt.#{work}" }
        unknown(shares + works - Limits.entries.keys, "spares.yml #{id} limits")
      end
    end

    def unknown(ids, place)
      fault("#{place}: #{ids.uniq.join(", ")} does not exist") if ids.any?
    end

    # Every source id has its heading in docs/sources.md.
    def sources
      known = File.read(SOURCES).scan(/^### `([^`]+)`/).flatten
      used = Limits.entries.values.map { |row| row["source"] }
      unknown(used - known, "limits.yml source")
    end

    # Pairs of causes that no test on some unit tells apart are listed: they are
    # limits of the trade's tests, not mistakes.
    def separable
      pairs = causes.values.combination(2).reject { |one, other| told_apart?(one, other) }
      pairs.each { |one, other| @report.notes << "no test tells #{one.id} from #{other.id}" }
      causes.each_value { |cause| fault("causes.yml #{cause.id}: no test shows it") unless reachable?(cause) }
    end

    # Causes that never share a unit need no telling apart.
    def told_apart?(one, other)
      models = models_of(one) & models_of(other)
      models.empty? || models.any? { |model| model.tests.any? { |test| distance(model, test, one, other) > ALIKE } }
    end

    def models_of(cause)
      models.select { |model| model.causes.include?(cause) }
    end

    def models
      @models ||=
        Knowledge
          .table("families")
          .flat_map do |family, row|
            row["sides"].flat_map do |side|
              Electrical::FAMILIES.map do |motor|
                Diagnosis::Model.for(Diagnosis::Equipment.new(family:, side:, motor:))
              end
            end
          end
    end

    def reachable?(cause)
      models_of(cause).any? { |model| model.tests.any? { |test| distance(model, test, cause, nil) > ALIKE } }
    end

    # How differently a test comes out under two causes (or none), over motions.
    def distance(model, test, one, other)
      mixed = [one, other].map { |cause| outcome_chances(model, test, cause ? [model.place(cause)] : []) }
      mixed.first.zip(mixed.last).sum { |a, b| (a - b).abs } / 2
    end

    def outcome_chances(model, test, set)
      rows =
        model
          .state_of(set)
          .each_with_index
          .map { |chance, m| model.distribution(test, m, set).map { |one| one * chance } }
      rows.transpose.map(&:sum)
    end
  end
end
