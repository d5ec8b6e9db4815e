# frozen_string_literal: true

module Shared
  module Cutaway
    # The picture of the sign-in page: one fan with its leader lines, copper in, air
    # out. Decoration only.
    class Frontispiece
      def svg
        svg = Drawing::Svg.new(640, 420, label: "", css: "plate")
        svg.rect(0, 6, 640, 18, "plate-hatch").rect(70, 24, 8, 22, "fill-ink").rect(562, 24, 8, 22, "fill-ink")
        svg.rect(24, 46, 592, 320, "plate-case", rx: 2)
        svg.fins(44, 66, 280, step: 10, count: 56)
        7.times { |row| svg.line(36, 86 + row * 40, 604, 86 + row * 40, "line-tube") }
        svg.line(0, 86, 36, 86, "line-feed")
        svg
          .rect(36, 66, 150, 280, "frost", fill: "url(#frost-3)")
          .rect(186, 66, 120, 280, "frost", fill: "url(#frost-2)")
          .rect(306, 66, 298, 280, "frost", fill: "url(#frost-1)")
        Fan.new(svg, 320, 206, 128, outcomes: {"fan_motion" => "normal"}, in_hand: false, phase: 12).draw
        svg.line(320, 206, 320, 410, "line-leader")
        svg.to_s
      end
    end
  end
end
