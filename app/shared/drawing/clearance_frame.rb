# frozen_string_literal: true

module Shared
  module Drawing
    # What does not move when the hub does: motor, shaft, keyway, opening and guard.
    class ClearanceFrame
      AXIS, REACH = ClearanceSection::AXIS, ClearanceSection::REACH

      def initialize(svg, layout, scale)
        @svg = svg
        @layout = layout
        @question = layout.question
        @scale = scale
      end

      def draw
        motor
        carriers
        @svg.rect(x(0), AXIS - 12, @question.shaft_mm * @scale.pixels, 24, "fit-shaft")
        @svg.rect(x(0), AXIS - 24, @question.boss_mm * @scale.pixels, 48, "plate-hatch") if @question.boss_mm.positive?
        keyway if @question.key
        guard if @layout.guard
      end

      private

      def x(mm) = @scale.x(mm)

      def motor
        @svg.rect(x(@scale.span.begin), AXIS - 84, @scale.motor_mm * @scale.pixels, 168, "plate-case").rect(
          x(@scale.span.begin),
          AXIS - 84,
          @scale.motor_mm * @scale.pixels,
          168,
          "plate-hatch-soft"
        )
        if @scale.broken_off?
          @svg.path("M#{Svg.p(x(@scale.span.begin), AXIS - 88)} l-7 22 l14 30 l-14 36 l14 36 l-14 30 l7 22",
            "fit-break")
        end
        @svg.text(x(-@scale.motor_mm / 2.0), AXIS - 58, "motor", "visit-words", text_anchor: "middle")
      end

      # From the motor's plate to opening and guard, with the spacers between.
      def carriers
        far = @layout.orifice || @layout.guard or return
        [-1, 1].each do |side|
          y = AXIS + side * (REACH + 22)
          @svg.path("M#{Svg.p(x(0), AXIS + side * 84)} V#{y} H#{x(far).round(1)}", "line-thin")
          @layout.spacers.times do |index|
            @svg.rect(x(2 + index * @question.spacer_mm), y - 7, @question.spacer_mm * @scale.pixels, 14, "fit-spacer")
          end
          @svg.rect(x(far) - 6, y - 16, 12, 32, "plate-hatch") if @layout.orifice
        end
        @svg.text(x(far), AXIS - REACH - 46, "opening", "axis-words", text_anchor: "middle") if @layout.orifice
      end

      def keyway
        @svg.rect(
          x(@question.key.from_mm),
          AXIS - 12,
          (@question.key.to_mm - @question.key.from_mm) * @scale.pixels,
          6,
          "fit-key"
        )
      end

      def guard
        @svg.line(x(@layout.guard), AXIS - REACH - 34, x(@layout.guard), AXIS + REACH + 34, "line-pipe")
        (-4..4).each { |step| @svg.circle(x(@layout.guard), AXIS + step * 36, 4, "terminal") }
        @svg.text(x(@layout.guard), AXIS - REACH - 46, "guard", "axis-words", text_anchor: "end")
      end
    end
  end
end
