# frozen_string_literal: true

module Shared
  module Drawing
    # Where along the shaft a millimetre lies on the clearance drawing's sheet, and how
    # much of the motor there is room for.
    class ClearanceScale
      LEFT = 40

      attr_reader :width

      # @param layout [Fenbo::Clearance::Layout]
      def initialize(layout, body_mm:, wide:)
        @layout = layout
        @body_mm = body_mm
        @width = wide ? 740 : 380
        @right = wide ? 74 : 46
      end

      # Pixels a millimetre: what JavaScript needs to follow a thumb.
      def pixels = @pixels ||= (width - LEFT - @right) / (span.end - span.begin)

      def x(mm) = LEFT + (mm - span.begin) * pixels

      # From a stretch of the motor to what reaches farthest.
      def span
        @span ||= (-motor_mm..[@layout.guard, shaft_mm, @layout.front, @layout.orifice].compact.max + 2)
      end

      # No more of the motor than a third of the sheet; the rest is broken off.
      def motor_mm
        [@body_mm || 60, 0.45 * [@layout.guard, shaft_mm, @layout.front].compact.max].min
      end

      def broken_off? = @body_mm && @body_mm > motor_mm

      # Where words of that length, centred at `at` px, stay on the sheet.
      def within(at, text)
        half = text.size * 3.9 + 4
        at.clamp(half, width - half)
      end

      private

      def shaft_mm = @layout.question.shaft_mm
    end
  end
end
