# frozen_string_literal: true

module Fenbo
  module Matching
    # May the old blade go back on? What is looked at, by test, and what an answer means.
    # Judgement in knowledge/reuse.yml. Source: docs/sources.md, motors/blades.
    module Reuse
      module_function

      # @return [Hash] what to look at, in words, by test
      def looks = table.transform_values { |row| row["look"] }

      # @param test [String] one of `looks`
      def sound?(test, outcome) = table.fetch(test)["sound"].include?(outcome)

      # @param answers [Hash] outcome by test; others than `looks` are left alone
      # @return [Hash] `state` as the tool `blades` takes it
      def damage(answers)
        answers.filter_map { |test, outcome| table.dig(test, "damage", outcome) }.to_h { |kind| [kind, true] }
      end

      def table = Knowledge.table("reuse")
    end
  end
end
