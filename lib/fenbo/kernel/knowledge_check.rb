# frozen_string_literal: true

require "json"
require "json_schemer"

module Fenbo
  # Proves the knowledge files: their shape by JSON Schema, then what no schema
  # can say: rows that sum to one (Sums), ids that exist (References), plans that can be worked
  # (Plans), causes that some finding can reach and pairs that no test tells apart (Separable),
  # limits that limit (LimitUse).
  class KnowledgeCheck
    Report = Struct.new(:faults, :notes)
    ROOT = File.expand_path("../../..", __dir__)

    # Faults as sentences, led by where they stand.
    class Part
      # @return [Array<String>] none where all holds
      def faults
        @faults = []
        look
        @faults
      end

      private

      def fault(text) = @faults << text

      def unknown(ids, place)
        fault("#{place}: #{ids.uniq.join(", ")} does not exist") if ids.any?
      end

      def limits(names, place) = unknown(names - Limits.entries.keys, place)

      def cautions = Knowledge.table("cautions").keys

      def families = Knowledge.table("families")

      def tests = Diagnosis::Test.all

      def causes = Diagnosis::Cause.all
    end

    def run
      misshapen = Shapes.new.faults
      return Report.new(misshapen, []) if misshapen.any?
      separable = Separable.new
      Report.new(
        [Sums.new, References.new, Plans.new, separable, LimitUse.of_the_house(ROOT)].flat_map(&:faults),
        separable.alike
      )
    end
  end
end

require_relative "knowledge_check/limit_use"
require_relative "knowledge_check/plans"
require_relative "knowledge_check/references"
require_relative "knowledge_check/separable"
require_relative "knowledge_check/shapes"
require_relative "knowledge_check/sums"
