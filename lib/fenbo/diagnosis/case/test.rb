# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # One test a technician can do: a row of knowledge/tests.yml.
    class Test
      def self.all
        @all ||= Knowledge.table("tests").to_h { |id, row| [id, new(id, row)] }.freeze
      end

      def self.[](id) = all.fetch(id)

      # How many tests have an outcome of this label.
      def self.labels
        @labels ||= all.values.flat_map { |test| test.outcomes.map { |one| test.label(one) }.uniq }.tally.freeze
      end

      # telling: 1 for the outcomes that carry evidence, 0 for the others.
      # mistake: how often it is misread; astray: how often any one of the others is then named.
      attr_reader :id, :outcomes, :telling, :mistake, :astray

      def initialize(id, row)
        @id = id
        @row = row
        @outcomes = row["outcomes"].keys.freeze
        @telling = @outcomes.map { |outcome| tells_nothing?(outcome) ? 0.0 : 1.0 }.freeze
        @mistake = row.fetch("mistake", Diagnosis.rules["default_mistake"])
        @astray = wrong_share(@mistake)
        @either = @outcomes.map { |outcome| row.fetch("either", []).include?(outcome) }.freeze
        freeze
      end

      # How often each wrong outcome is named where so many answers are wrong.
      def wrong_share(mistake) = mistake / (telling.sum - 1)

      def short = @row["short"]

      # The question for one fan, as put to the technician.
      def ask(fan) = @row["ask"].gsub("{fan}", fan)

      def label(outcome) = @row["outcomes"].fetch(outcome)["label"]

      # The outcome among others of the same fan: without its test where that is plain.
      def told(outcome)
        row = @row["outcomes"].fetch(outcome)
        return row["told"] if row["told"]
        (Test.labels[row["label"]] > 1) ? "#{Diagnosis.low(short)}: #{row["label"].downcase}" : row["label"].downcase
      end

      def help(outcome) = @row["outcomes"].fetch(outcome)["help"]

      # Whether the fan turns where this is its answer; nil where it does not say.
      def turning?(outcome)
        outcome && @row["outcomes"].fetch(outcome)["turns"]
      end

      # What the fan does (Model::MOTIONS) where this is its answer; nil where it does not say.
      def motion(outcome) = outcome && @row["outcomes"].fetch(outcome)["motion"]

      def states = @row["state"]

      def minutes = @row["minutes"]

      def unit? = @row["scope"] == "unit"

      def sides = @row["sides"]

      def motors = @row["motors"]

      # Whether it is made from the other side of a one-piece unit as well.
      def across = @row.fetch("across", false)

      def needs = @row.fetch("needs", [])

      def neighbours? = @row.fetch("neighbours", false)

      def not_after = @row.fetch("not_after", {})

      def only_after = @row.fetch("only_after", {})

      def cautions = @row.fetch("caution", [])

      # What a healthy fan shows.
      def ordinary = @row["ordinary"] || outcomes.first(1)

      def tells_nothing?(outcome)
        @row.fetch("tells_nothing", []).include?(outcome)
      end

      # Whether the kth outcome is one of several such that may be there at once, of which any is
      # named; of the others the later one hides the earlier.
      def either?(k) = @either[k]

      # Chances of each outcome when nothing bears on it, in `outcomes` order.
      # @param equipment [Equipment]
      def usual(motion, equipment)
        tables = [@row.dig("usual_by_motor", equipment.motor), *@row["usual_with"]&.values_at(*equipment.traits),
          @row["usual_#{equipment.side}"], @row["usual"]].compact
        keys = [motion, *Diagnosis.rules["groups"][motion], "always"]
        tables.lazy.flat_map { |table| keys.map { |key| table[key] } }.find(&:itself).values_at(*outcomes)
      end

      # Whether the fan has to be under power to be looked at.
      def running? = @row.fetch("running", false)
    end
  end
end
