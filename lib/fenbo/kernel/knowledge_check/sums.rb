# frozen_string_literal: true

module Fenbo
  class KnowledgeCheck
    # Chances that sum to one over outcomes that exist, of tests and of causes.
    class Sums < Part
      # What a fan does only while it turns belongs under a motion: a fan that another cause
      # stopped shows none of it.
      RUNNING = %w[fan_motion noise sound_recording airflow amps amps_beside_neighbours].freeze

      private

      def look
        Knowledge.table("tests").each { |id, row| test_sums(id, row) }
        Knowledge.table("causes").each { |id, row| cause_sums(id, row) }
      end

      def test_sums(id, row)
        outcomes = row["outcomes"].keys
        usual_tables(row).each do |key, table|
          table.each { |motion, chances| whole("tests.yml #{id} #{key} #{motion}", chances, outcomes) }
        end
        unknown(%w[ordinary tells_nothing either].flat_map { |name| row.fetch(name, []) } - outcomes,
          "tests.yml #{id} ordinary, tells_nothing, either")
        # A wrong answer is one of the others.
        fault("tests.yml #{id}: fewer than two outcomes tell") if (outcomes - row.fetch("tells_nothing", [])).size < 2
      end

      def usual_tables(row)
        apart = %w[usual_by_motor usual_with].flat_map { |kind|
          row.fetch(kind, {}).map { |name, table| ["#{kind} #{name}", table] }
        }
        {"usual" => row["usual"], "usual_condenser" => row["usual_condenser"], **apart.to_h}.compact
      end

      def whole(place, chances, outcomes)
        strange, left_out, sum = chances.keys - outcomes, outcomes - chances.keys, chances.values.sum
        fault("#{place}: names #{strange.join(", ")}, which is no outcome") if strange.any?
        fault("#{place}: leaves out #{left_out.join(", ")}") if left_out.any?
        fault("#{place}: sums to #{sum.round(4)} instead of 1") if (sum - 1).abs > 1e-6
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

      def running_rows(id, row)
        blocks = [row, *row.fetch("for", {}).values]
        wrong = blocks.flat_map { |block| block.fetch("shows", {}).keys } & RUNNING
        fault("causes.yml #{id}: #{wrong.join(", ")} belongs under a motion, not under shows") if wrong.any?
      end
    end
  end
end
