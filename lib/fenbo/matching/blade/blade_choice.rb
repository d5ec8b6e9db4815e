# frozen_string_literal: true

module Fenbo
  module Matching
    # Which blade goes with a motor in an opening, the old one first: reuse it where it is
    # sound, else one like it.
    #
    # in:  old {diameter_mm, blade_count, pitch_deg, hub, bore_mm, rotation, air} (rotation
    #      from the discharge side); motor {rotation (from the shaft end), shaft_diameter_mm,
    #      rpm, old_rpm, output_w, needed_w}; orifice_mm (the opening's diameter, null where
    #      not measured); state {cracks, hub_worn, bent} of the old one; blades (a list)
    # out: verdict reuse | a part number | none, candidates [{part_no, grade, checks}],
    #      rejected [{part_no, checks}], old the lines of the old one itself
    # Source: docs/sources.md, motors/blades.
    class BladeChoice < Tool
      GRADES = %w[drop_in fits_with_work].freeze
      Drive = Value.of(:rotation, :shaft_mm, :rpm, :old_rpm, :output_w, :needed_w)
      Question = Value.of(:old, :drive, :orifice_mm, :damage, :blades)
      Line = Checks::Line
      DAMAGE = {"cracks" => "cracked at a root", "hub_worn" => "its hub is worn", "bent" => "a tip is bent"}.freeze

      def self.read(input, _limits)
        motor, state = input.object("motor", required: false), input.object("state", required: false)
        drive =
          Drive.new(
            rotation: motor.choice("rotation", Rotation::SENSES, required: false),
            shaft_mm: motor.number("shaft_diameter_mm", required: false, above: 0, at_most: 1_000),
            **%i[rpm old_rpm output_w needed_w].to_h do |key|
              [key, motor.number(key.to_s, required: false, above: 0, at_most: 1_000_000)]
            end
          )
        Question.new(
          old: Blade.read(input.object("old")),
          drive:,
          orifice_mm: input.number("orifice_mm", required: false, above: 0, at_most: 10_000),
          damage: DAMAGE.keys.select { |key| state.flag(key, default: false) },
          blades: input.objects("blades", required: false, at_most: 50_000).map { |one| Blade.read(one) }
        )
      end

      def answer
        Result.new(
          verdict:,
          figures: {
            candidates:
              candidates.map do |blade, lines|
                {part_no: blade.part_no, grade: grade(lines), checks: lines.map(&:to_h)}
              end,
            rejected: rejected.map { |blade, lines| {part_no: blade.part_no, checks: failing(lines).map(&:to_h)} },
            old: lines_of(question.old).map(&:to_h)
          },
          reasons:
        )
      end

      def verdict
        reuse? ? "reuse" : (candidates.first&.first&.part_no || "none")
      end

      # The old blade stays where it is sound, turns the right way and does not overload.
      def reuse?
        question.damage.empty? && failing(lines_of(question.old)).empty?
      end

      private

      def judged
        @judged ||= question.blades.map { |blade| [blade, lines_of(blade)] }
      end

      def candidates
        @candidates ||=
          judged
            .select { |_, lines| failing(lines).empty? }
            .sort_by do |blade, lines|
              [GRADES.index(grade(lines)), blade.price_cents || Float::INFINITY, blade.part_no.to_s]
            end
      end

      def rejected
        @rejected ||= (judged - candidates).sort_by { |blade, lines| [failing(lines).size, blade.part_no.to_s] }
      end

      def failing(lines) = lines.select { |line| line.result == "fail" }

      def grade(lines)
        (lines.all? { |line| line.result == "pass" }) ? "drop_in" : "fits_with_work"
      end

      def lines_of(blade) = BladeChecks.new(blade, question, limits).lines

      def reasons = [state, best, miss].compact

      def state
        if reuse?
          return (
            reason(
              "Clean it, look at roots, hub and tips; balance clips stay where they are. Sound, it goes back on",
              "blades.reuse",
              source: "motors/blades"
            )
          )
        end
        causes = question.damage.map { |key| DAMAGE[key] } + failing(lines_of(question.old)).map(&:reason)
        reason("The old blade does not go back on: #{causes.join("; ")}", "blades.reuse", source: "motors/blades")
      end

      def best
        blade, lines = candidates.first
        blade &&
          reason(
            "#{blade.part_no} #{(grade(lines) == "drop_in") ? "is like the old one" : "goes with work"}",
            "blades.best",
            source: "motors/blades"
          )
      end

      def miss
        blade, lines = rejected.first
        blade &&
          reason(
            "#{blade.part_no} was rejected: #{failing(lines).map(&:reason).join("; ")}",
            "blades.rejected",
            source: "motors/blades"
          )
      end
    end
  end
end
