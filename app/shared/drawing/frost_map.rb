# frozen_string_literal: true

module Shared
  module Drawing
    # A coil face as it was painted: levels as textures that thicken, the feed end, the
    # fans' zones and which run; beside an earlier map, what has grown and what has gone.
    # With `paint` each cell is one to be tapped.
    class FrostMap
      CELL = 40
      TOP = 30
      LEFT = 34

      # @param grid [Array<Array<Integer>>] rows from the top
      # @param fans [Array<Hash>] "position", "columns", "running"
      # @param before [Array<Array<Integer>>, nil] an earlier map of the same size
      def initialize(grid:, feed_end: "left", fans: [], ring: false, before: nil, paint: false, label: nil)
        @grid = grid
        @feed_end = feed_end
        @fans = fans
        @ring = ring
        @before = before if before && before.size == grid.size && before.first.size == grid.first.size
        @paint = paint
        @label =
          label || "#{paint ? "The coil, to be painted" : "Frost map"}, #{grid.size} rows, #{grid.first.size} columns"
      end

      def svg
        @svg = Svg.new(width, height, label: @label, css: "plate frostmap")
        zones
        @svg.rect(LEFT, TOP, columns * CELL, rows * CELL, "plate-case")
        @paint ? cells : face
        differences if @before
        feed
        @svg.to_s
      end

      private

      def rows = @grid.size

      def columns = @grid.first.size

      def width = LEFT * 2 + columns * CELL

      def height = TOP + rows * CELL + 40

      def cells
        @grid.each_with_index { |row, y| row.each_with_index { |level, x| cell(x, y, level) } }
      end

      # Where nothing is to be tapped, cells alike in a row are one.
      def face
        @svg.rect(LEFT, TOP, columns * CELL, rows * CELL, "cell-ground")
        @grid.each_with_index do |row, y|
          row
            .each_index
            .chunk_while { |a, b| row[a] == row[b] }
            .each do |run|
              if row[run.first].positive?
                @svg.rect(
                  LEFT + run.first * CELL,
                  TOP + y * CELL,
                  run.size * CELL,
                  CELL,
                  "frost frost-level-#{row[run.first]}"
                )
              end
            end
        end
        @svg.path(
          (
            (1...rows).map { |y| "M#{LEFT} #{TOP + y * CELL}h#{columns * CELL}" } +
              (1...columns).map { |x| "M#{LEFT + x * CELL} #{TOP}v#{rows * CELL}" }
          ).join,
          "cell"
        )
      end

      def cell(x, y, level)
        at = {x: LEFT + x * CELL, y: TOP + y * CELL}
        @svg.rect(at[:x], at[:y], CELL, CELL, "cell-ground")
        @svg.rect(at[:x], at[:y], CELL, CELL, "frost frost-level-#{level}", **(@paint ? {data_fill: "#{y}-#{x}"} : {}))
        @svg.rect(at[:x], at[:y], CELL, CELL, "cell", **(@paint ? {data_cell: "#{y}-#{x}"} : {}))
      end

      # Zones under the coil, a line each with its fan's number; a stopped fan's dashed.
      def zones
        @fans.each_with_index do |fan, index|
          a, b = fan["columns"]
          x1, x2, y = LEFT + a * CELL + 4, LEFT + (b + 1) * CELL - 4, TOP + rows * CELL + 14
          @svg.line(x1, y, x2, y, (fan["running"] == false) ? "zone zone-still" : "zone")
          @svg.text(
            (x1 + x2) / 2.0,
            y + 18,
            "#{index + 1}#{" stands" if fan["running"] == false}",
            "leg-name",
            text_anchor: "middle"
          )
        end
        @svg.text(LEFT, TOP - 10, "ice on blade or ring", "limit-words") if @ring
      end

      def differences
        @grid.each_with_index do |row, y|
          row.each_with_index do |level, x|
            grown = level - @before[y][x]
            next if grown.zero?
            @svg.text(
              LEFT + x * CELL + CELL / 2.0,
              TOP + y * CELL + CELL / 2.0 + 6,
              grown.positive? ? "+#{grown}" : "−#{-grown}",
              grown.positive? ? "grown" : "gone",
              text_anchor: "middle"
            )
          end
        end
      end

      def feed
        right = @feed_end == "right"
        x = right ? LEFT + columns * CELL : 0
        @svg.line(x, TOP + 18, x + LEFT, TOP + 18, "line-feed").text(
          right ? width - 2 : 2,
          TOP + 8,
          "feed",
          "axis-words",
          text_anchor: right ? "end" : "start"
        )
      end
    end
  end
end
