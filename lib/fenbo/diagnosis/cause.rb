# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # One cause: a row of knowledge/causes.yml.
    class Cause
      def self.all = @all ||= Knowledge.table("causes").to_h { |id, row| [id, new(id, row)] }.freeze

      def self.[](id) = all.fetch(id)

      # What the screen calls a verdict, the two that are no cause included.
      def self.label(id)
        case id
        when HEALTHY then "Healthy"
        when UNKNOWN then "None of these"
        when "undetermined" then "Not settled yet"
        else self[id].label
        end
      end

      attr_reader :id

      def initialize(id, row)
        @id = id
        @row = row
        freeze
      end

      def label = @row["label"]

      def part = @row["part"]

      def remedy = @row["remedy"]

      def unit? = @row["scope"] == "unit"

      def sides = @row["sides"]

      def motors = @row["motors"]

      def needs = @row.fetch("needs", [])

      def reaches = @row.fetch("reaches", 0.0)

      # Odds of this cause for one complaint, before anything is seen.
      def odds(side:, motor:, age_band:, recent_work:)
        rate = @row["rate"].fetch(side, 0.0) / 100.0
        rate *= @row.fetch("age", {}).fetch(age_band, 1.0)
        rate *= @row.fetch("recent_work", 1.0) if recent_work
        rate *= @row.fetch("by_motor", {}).fetch(motor, 1.0)
        # With an unknown motor each family's own causes are only half likely.
        (motors && motor.nil?) ? rate / 2 : rate
      end

      # [turning, labouring, still]
      def motion = Diagnosis.rules["motions"].map { |name| @row["motion"].fetch(name).to_f }

      # What it shows in `test` while the fan is in `motion`: outcome => chance,
      # or nil when it does not bear on that test.
      def shows(test_id, motion, motor)
        block = (motion == "still") ? "still" : "moving"
        own = @row.dig("for", motor) || {}
        [own[block], @row[block], own["shows"], @row["shows"]].each do |table|
          return table[test_id] if table&.key?(test_id)
        end
        nil
      end

      # Every test it bears on in some way.
      def test_ids
        blocks = [@row, *@row.fetch("for", {}).values]
        blocks.flat_map { |block| %w[shows moving still].flat_map { |name| block.fetch(name, {}).keys } }.uniq
      end
    end
  end
end
