# frozen_string_literal: true

module Shared
  module Cutaway
    # The unit itself, drawn: which kind of plate for which family, and what all
    # kinds share. Findings appear where they are; nothing is drawn that was not
    # found.
    class Plate
      WIDTH = 720

      KINDS = {
        "household_top_freezer" => "TopFreezer",
        "household_bottom_freezer" => "BottomFreezer",
        "household_side_by_side" => "SideBySide",
        "household_machine_bay" => "MachineBay",
        "reach_in" => "ReachIn",
        "display_case" => "DisplayCabinet",
        "walk_in_cooler" => "UnitCooler",
        "remote_condenser" => "RoofCondenser",
        "fan_bank_condenser" => "RoofCondenser",
        "rack_condenser" => "RoofCondenser"
      }.freeze

      def self.of(unit, findings: [], hand: nil, links: nil, lit: nil)
        Cutaway.const_get(KINDS.fetch(unit.family)).new(unit, findings, hand, links, lit)
      end

      # Parts of a family that have tests of their own: id => label.
      def self.parts(unit)
        traits = Fenbo::Knowledge.table("families")[unit.family]["traits"]
        sides = unit.fans.map(&:side).uniq
        Fenbo::Knowledge
          .table("parts")
          .select do |_, row|
            (row.fetch("needs", []) - traits).empty? && (row["sides"].nil? || (row["sides"] & sides).any?)
          end
          .transform_values { |row| row["label"] }
      end

      def initialize(unit, findings, hand, links, lit = nil)
        @unit = unit
        @findings = findings.reject(&:voided?)
        @hand = hand
        @links = links
        @lit = lit
      end

      def svg
        @svg = Drawing::Svg.new(WIDTH, height, label: label, css: "plate")
        draw
        light_fan if @lit && !@placed
        @svg.to_s
      end

      private

      def positions = @positions ||= @unit.fans.to_a

      def label
        "#{@unit.family_label} with #{positions.size} #{(positions.size == 1) ? "fan" : "fans"}: " +
          positions.map { |position| "#{@unit.called(position)} #{said(position)}" }.join("; ")
      end

      def said(position)
        words = outcomes(position).map { |test, outcome| Fenbo::Diagnosis::Test[test].told(outcome) }
        words.empty? ? "not looked at" : words.first(4).join(", ")
      end

      # Test => outcome, the latest of each, for one fan.
      def outcomes(position)
        @outcomes ||= {}
        @outcomes[position.key] ||= @findings
          .select { |finding| finding.fan == position.key }
          .to_h { |finding| [finding.test, finding.outcome] }
      end

      # Outcomes about the whole unit.
      def unit_outcomes
        @unit_outcomes ||=
          @findings.select { |finding| finding.fan.nil? }.to_h { |finding| [finding.test, finding.outcome] }
      end

      # What is lit and has no place of its own is at the fan in hand.
      def light_fan
        cx, cy, radius = @hand_at
        @svg.circle(cx, cy, radius + 8, "lit-part") if @hand_at
      end

      def light(id, x, y, width, height)
        return unless id == @lit
        @placed = true
        @svg.rect(x - 4, y - 4, width + 8, height + 8, "lit-part", rx: 3)
      end

      # A part that opens its tests when tapped; the page lists the same as links.
      def part(id, x, y, width, height)
        light(id, x, y, width, height)
        return unless @links && self.class.parts(@unit).key?(id)
        @svg.group(class: "part-link") do
          @svg.rect(
            x,
            y,
            width,
            height,
            "hit hit-part",
            data_href: "#{@links.call(@hand || positions.first)}&part=#{id}"
          )
        end
      end

      def fan(position, cx, cy, radius)
        @hand_at = [cx, cy, radius] if position == @hand
        Fan.new(
          @svg,
          cx,
          cy,
          radius,
          outcomes: outcomes(position),
          in_hand: position == @hand,
          phase: position.number * 17
        ).draw
        link(position, cx, cy, radius)
      end

      # A transparent link over the fan, for thumb, mouse and keyboard.
      def link(position, cx, cy, radius)
        return unless @links
        @svg.group(class: "fan-link") { @svg.circle(cx, cy, radius + 6, "hit", data_href: @links.call(position)) }
      end
    end
  end
end
