# frozen_string_literal: true

module Shared
  module Cutaway
    # A unit cooler under the ceiling of a walk-in, seen from the room: hangers,
    # casing, coil with its feed, fans in their zones, drip pan and drain.
    class UnitCooler < Plate
      TOP = 34
      COIL_TOP = 52
      COIL_BOTTOM = 232
      ROWS = 5
      COLUMNS = 24
      INSET = 30

      private

      def height = 296

      def draw
        ceiling
        @svg.rect(3, TOP, WIDTH - 6, 216, "plate-case", rx: 2)
        coil
        frost
        part("coil", INSET, COIL_TOP, span, COIL_BOTTOM - COIL_TOP)
        positions.each_with_index do |position, index|
          fan(position, centre(index), (COIL_TOP + COIL_BOTTOM) / 2.0, radius)
        end
        pan
        positions.each_index do |index|
          @svg.line(centre(index), COIL_BOTTOM - 90 + radius + 9, centre(index), height, "line-leader")
        end
      end

      def zone = WIDTH / positions.size.to_f

      def centre(index) = zone * (index + 0.5)

      def radius = [zone * 0.36, 80].min

      def ceiling
        @svg.rect(0, 2, WIDTH, 16, "plate-hatch")
        [0.1, 0.9].each { |share| @svg.rect(WIDTH * share - 3, 18, 6, TOP - 18, "fill-ink") }
      end

      def coil
        @svg.fins(INSET, COIL_TOP, COIL_BOTTOM - COIL_TOP, step: span / (COLUMNS * 2), count: COLUMNS * 2 + 1)
        ROWS.times { |row| @svg.line(INSET, tube(row), WIDTH - INSET, tube(row), "line-tube") }
        (0...ROWS - 1).each { |row| bend(row) }
        @svg.line(0, tube(0), INSET, tube(0), "line-feed")
      end

      # The finned length between the return bends.
      def span = (WIDTH - 2 * INSET).to_f

      def tube(row)
        COIL_TOP + 18 + row * (COIL_BOTTOM - COIL_TOP - 36) / (ROWS - 1.0)
      end

      # Return bends at alternating ends.
      def bend(row)
        x = row.even? ? WIDTH - INSET : INSET
        y1, y2 = tube(row), tube(row + 1)
        @svg.path("M#{x} #{y1} A#{(y2 - y1) / 2} #{(y2 - y1) / 2} 0 0 #{row.even? ? 1 : 0} #{x} #{y2}", "line-tube")
      end

      def frost
        positions.each_with_index do |position, index|
          left = [zone * index, INSET].max
          width = [zone * (index + 1), WIDTH - INSET].min - left
          areas(outcomes(position)["frost_pattern"], left, width).each do |x, y, w, h, level|
            @svg.rect(x, y, w, h, "frost", fill: "url(##{Drawing::Textures::FROST[level - 1]})")
          end
        end
      end

      # [x, y, width, height, level] of the texture that shows a frost pattern.
      def areas(pattern, left, width)
        high = COIL_BOTTOM - COIL_TOP
        case pattern
        when "even_light"
          [[left, COIL_TOP, width, high, 1]]
        when "even_blocked"
          [[left, COIL_TOP, width, high, 4]]
        when "feed_end_only"
          [[left, COIL_TOP, width / 3, high, 3], [left + width / 3, COIL_TOP, width / 4, high, 1]]
        when "bottom_ice"
          [[left, COIL_TOP, width, high, 1], [left, COIL_BOTTOM - high / 3.0, width, high / 3.0, 4]]
        when "behind_one_fan"
          [[left, COIL_TOP, width, high, 2], [left + width * 0.12, COIL_TOP, width * 0.76, high, 3]]
        when "fan_ring_ice"
          [[left, COIL_TOP, width, high, 2]]
        when "near_door"
          [[left + width / 2, COIL_TOP, width / 2, high, 3]]
        else
          []
        end
      end

      def pan
        @svg.path("M12 #{COIL_BOTTOM + 8} H#{WIDTH - 12} L#{WIDTH - 36} #{COIL_BOTTOM + 26} H36 Z", "plate-pan")
        @svg.path("M36 #{COIL_BOTTOM + 26} v12 h-22", "line-pipe")
        part("drain", 8, COIL_BOTTOM + 4, 150, 40)
        water if unit_outcomes["water_present"] == "yes" || unit_outcomes["drain_check"] == "blocked"
      end

      def water
        @svg.path("M60 #{COIL_BOTTOM + 20} q20 -6 40 0 t40 0 t40 0 t40 0", "line-water")
      end
    end
  end
end
