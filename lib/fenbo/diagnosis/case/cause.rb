# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # One cause: a row of knowledge/causes.yml.
    class Cause
      # Where a row may hold pictures: always, by group of motions, by one motion.
      BLOCKS = %w[shows moving still turning labouring stalled dead].freeze

      def self.all
        @all ||= Knowledge.table("causes").to_h { |id, row| [id, new(id, row)] }.freeze
      end

      def self.[](id) = all.fetch(id)

      # The first of some causes that a part is bought for.
      # @param ids [Array<String>, nil]
      def self.of_part(ids)
        ids.to_a.filter_map { |id| all[id] }.find(&:part)
      end

      # What the screen calls a verdict, the two that are no cause included.
      def self.label(id)
        case id
        when HEALTHY
          "Healthy"
        when UNKNOWN
          "None of these"
        when "undetermined"
          "Not settled yet"
        else
          self[id].label
        end
      end

      attr_reader :id

      def initialize(id, row)
        @id = id
        @row = row
        @unit = row["scope"] == "unit"
        @pictures = Hash.new { |by_motor, motor| by_motor[motor] = {} }
        freeze
      end

      def label = @row["label"]

      def part = @row["part"]

      # Every part that it may be, the usual one first.
      def parts = [part, *@row["or_part"]].compact

      # Which of them it is as far as something was found that tells, else the usual one.
      # @param findings [Array<JobFile::Finding>]
      def part_by(findings)
        findings.reverse_each.filter_map { |one| @row.dig("part_told", one.test, one.outcome) }.first || part
      end

      # Tests that tell which of its parts it is.
      # @return [Array<String>]
      def tells_part = @row.fetch("part_told", {}).keys

      def remedy = @row["remedy"]

      # Its work plan, where that does not follow from the part.
      def task = @row["task"]

      # How long it takes where there is no plan for it; nil where there is one.
      def minutes = @row["minutes"]

      def cautions = @row.fetch("caution", [])

      def unit? = @unit

      def sides = @row["sides"]

      def motors = @row["motors"]

      def needs = @row.fetch("needs", [])

      # Whether the unit runs on with it for weeks, so that it meets others by chance.
      def lingers? = @row.fetch("lingers", false)

      def reaches = @row.fetch("reaches", 0.0)

      # Whether it is asked for from the other side of a one-piece unit.
      def across = @row.fetch("across", false)

      # Whether it sits at the other side of a one-piece unit.
      def across?(side) = unit? && sides && !sides.include?(side)

      # Odds of this cause for one complaint, before anything is seen. A factor by
      # family, by motor, by age and after recent work lies over its rate.
      def odds(equipment:, age_band:, recent_work:)
        rate = @row["rate"].fetch(equipment.side, 0.0) / 100.0
        rate *=
          @row.fetch("by_family", {}).fetch(equipment.family, 1.0) *
          @row.fetch("by_motor", {}).fetch(equipment.motor, 1.0)
        rate *= @row.fetch("age", {}).fetch(age_band, 1.0)
        rate *= @row.fetch("recent_work", 1.0) if recent_work
        # With an unknown motor each family's own causes are only half likely.
        (motors && equipment.motor.nil?) ? rate / 2 : rate
      end

      # The chance of each motion, in the order of inference.yml.
      def motion(motor = nil, side = nil)
        table = @row.dig("for", motor, "motion") || @row["motion"]
        table = Diagnosis.rules["healthy"]["motion"] if side && across?(side)
        Diagnosis.rules["motions"].map { |name| table.fetch(name).to_f }
      end

      # How often it closes the coil with ice.
      def ice = @row.fetch("ice", 0.0)

      # Groups of tests of which one has to be answered before it is decisive.
      def settled_by = @row.fetch("settled_by", [])

      # What it shows in `test` while the fan is in `motion`: outcome => chance,
      # or nil when it does not bear on that test. The motor's own picture comes
      # before the common one, the motion's before the one for every motion. A cause
      # of the unit's other side does not bear on this side's fans.
      def shows(test, motion, equipment)
        return nil if !test.unit? && across?(equipment.side)
        own, always = pictures(motion, equipment.motor)
        own[test.id] || always[test.id]
      end

      # The same where the picture is one of this motion alone.
      def of_motion(test, motion, equipment)
        pictures(motion, equipment.motor).first[test.id]
      end

      # Every test it bears on in some way.
      def test_ids
        blocks = [@row, *@row.fetch("for", {}).values]
        blocks.flat_map { |block| BLOCKS.flat_map { |name| block.fetch(name, {}).keys } }.uniq
      end

      private

      # Of one motion alone, and whatever the fan does: test => what is shown. Asked for by every
      # test under every cause, so laid out once.
      def pictures(motion, motor)
        @pictures[motor][motion] ||= begin
          rows = [@row.dig("for", motor) || {}, @row]
          blocks = [motion, *Diagnosis.rules["groups"][motion]]
          [rows.flat_map { |row| row.values_at(*blocks) }, rows.map { |row| row["shows"] }].map { |all| first_of(all) }
        end
      end

      # What stands in several tables is taken from the first.
      def first_of(tables) = tables.compact.reverse.inject({}, :merge).freeze
    end
  end
end
