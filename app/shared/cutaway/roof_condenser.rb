# frozen_string_literal: true

module Shared
  module Cutaway
    # A condenser on a roof, seen from above: coil along both long sides, fans under
    # their guards, the inlet header at the left, the control box at the right.
    class RoofCondenser < Plate
      TOP = 26
      BOTTOM = 236

      private

      def height = 290

      def draw
        @svg.rect(0, 4, WIDTH, BOTTOM + 16, "plate-hatch-soft")
        @svg.rect(26, TOP, 616, BOTTOM - TOP, "plate-case", rx: 2)
        [TOP + 8, BOTTOM - 26].each { |y| coil(y) }
        header
        box
        positions.each_with_index do |position, index|
          fan(position, centre(index), (TOP + BOTTOM) / 2.0, radius)
          guard(centre(index))
        end
        positions.each_index do |index|
          @svg.line(centre(index), (TOP + BOTTOM) / 2.0 + radius + 9, label_x(index), height, "line-leader")
        end
      end

      def zone = 600.0 / positions.size

      def centre(index) = 34 + zone * (index + 0.5)

      # Labels below stand in equal columns of the whole width.
      def label_x(index) = WIDTH / positions.size.to_f * (index + 0.5)

      def radius = [zone * 0.4, 68].min

      def coil(y)
        dirty = unit_outcomes["condenser_face"]
        @svg.rect(34, y, 600, 18, "line-thin-box")
        @svg.fins(39, y, 18, step: 10, count: 60)
        @svg.line(34, y + 9, 634, y + 9, "line-tube")
        part("condenser", 34, y, 600, 18)
        @svg.rect(34, y, 600, 18, "frost", fill: "url(#hatch)") if dirty && dirty != "clean"
      end

      def guard(cx)
        cy = (TOP + BOTTOM) / 2.0
        [0.42, 0.68].each { |share| @svg.circle(cx, cy, radius * share, "line-guard") }
        6.times do |index|
          x, y = Drawing::Svg.polar(cx, cy, radius - 2, index * 60 + 15)
          @svg.line(cx, cy, x, y, "line-guard")
        end
      end

      def header
        @svg.path("M0 #{TOP + 17} H34 M0 #{BOTTOM - 17} H34 M12 #{TOP + 17} V#{BOTTOM - 17}", "line-feed")
      end

      def box
        @svg.rect(652, TOP + 40, 58, 120, "plate-case", rx: 2)
        3.times { |index| @svg.rect(662, TOP + 54 + index * 32, 38, 22, "line-thin-box") }
        @svg.path("M652 #{TOP + 100} H642", "line-pipe")
        part("supply", 652, TOP + 40, 58, 120)
      end
    end
  end
end
