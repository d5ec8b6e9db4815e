# frozen_string_literal: true

module Shared
  module Drawing
    # What a clearance lacks: the only red thing of the drawing.
    class ClearanceTrouble
      AXIS, REACH = ClearanceSection::AXIS, ClearanceSection::REACH

      # @param words [#call] a length in mm as the reader wants it
      def initialize(svg, layout, scale, words:)
        @svg = svg
        @layout = layout
        @question = layout.question
        @scale = scale
        @words = words
      end

      # The stretch that is missing, hatched where it is missing.
      def draw(condition)
        missing = -condition[:margin]
        case condition[:id]
        when "guard"
          guard_trouble(condition, missing)
        when "motor"
          red(@layout.back, @layout.back + missing, AXIS - REACH, 44, "too near")
        when "engagement"
          red(@question.shaft_mm, @question.shaft_mm + missing, AXIS - 20, 40, "of shaft missing")
        when "orifice"
          orifice_trouble(condition, missing)
        when "key"
          red(
            @layout.seat + @question.key.screw_mm - missing / 2,
            @layout.seat + @question.key.screw_mm + missing / 2,
            AXIS - 34,
            16,
            "off the keyway"
          )
        end
      end

      private

      def x(mm) = @scale.x(mm)

      # The blade's own front, or the end of the shaft that no seat can help.
      def guard_trouble(condition, missing)
        return red(@question.shaft_mm - missing, @question.shaft_mm, AXIS - 20, 40, "too long") unless condition[:high]
        red(@layout.front - missing, @layout.front, AXIS - REACH, 44, "too near")
      end

      # How far the opening would have to move for this seat.
      def orifice_trouble(condition, missing)
        far = condition[:high] && @layout.seat > condition[:high]
        if far
          red(@layout.orifice, @layout.orifice + missing, AXIS - REACH - 20, 14, "too far out")
        else
          red(@layout.orifice - missing, @layout.orifice, AXIS - REACH - 20, 14, "too deep")
        end
      end

      def red(from, to, y, height, words)
        @svg.rect(x(from), y, [(to - from) * @scale.pixels, 3].max, height, "fit-trouble")
        text = "#{@words.call(to - from)} #{words}"
        @svg.text(
          @scale.within(x((from + to) / 2.0), text),
          y - 8,
          text,
          "fit-trouble-words",
          text_anchor: "middle"
        )
      end
    end
  end
end
