# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # One test a technician can do: a row of knowledge/tests.yml.
    class Test
      def self.all = @all ||= Knowledge.table("tests").to_h { |id, row| [id, new(id, row)] }.freeze

      def self.[](id) = all.fetch(id)

      attr_reader :id, :outcomes

      def initialize(id, row)
        @id = id
        @row = row
        @outcomes = row["outcomes"].keys.freeze
        freeze
      end

      def short = @row["short"]

      # The question for one fan, as put to the technician.
      def ask(fan) = @row["ask"].gsub("{fan}", fan)

      def label(outcome) = @row["outcomes"].fetch(outcome)["label"]

      def help(outcome) = @row["outcomes"].fetch(outcome)["help"]

      def states = @row["state"]

      def minutes = @row["minutes"]

      def unit? = @row["scope"] == "unit"

      def sides = @row["sides"]

      def motors = @row["motors"]

      def needs = @row.fetch("needs", [])

      def neighbours? = @row.fetch("neighbours", false)

      def not_after = @row.fetch("not_after", {})

      def only_after = @row.fetch("only_after", {})

      def cautions = @row.fetch("caution", [])

      def tells_nothing?(outcome) = @row.fetch("tells_nothing", []).include?(outcome)

      def mistake = @row.fetch("mistake", Diagnosis.rules["default_mistake"])

      # Chances of each outcome when nothing bears on it, in `outcomes` order.
      def usual(motion, side)
        table = (side && @row["usual_#{side}"]) || @row["usual"]
        (table["always"] || table.fetch(motion)).values_at(*outcomes)
      end

      # 1 for the outcomes that carry evidence, 0 for the others.
      def telling = outcomes.map { |outcome| tells_nothing?(outcome) ? 0.0 : 1.0 }
    end
  end
end
