# frozen_string_literal: true

module Fenbo
  module Frost
    # A coil face painted as rows of cells from the top, each 0 to 4, and what can be
    # counted on it. A third of n is ⌈n ÷ 3⌉.
    #
    #   evenness = 1 − standard deviation of all cells ÷ 2      0 to 1
    #   contrast = mean of a fan's zone − mean of the other fans' zones
    class Grid
      attr_reader :rows

      # @param rows [Array<Array<Integer>>] equally long
      # @param feed_end [String] left or right, where refrigerant enters
      # @param zones [Hash] position => [first, last] column, inclusive
      def initialize(rows, feed_end:, zones: {})
        @rows = rows.map(&:dup).freeze
        @feed_end = feed_end
        @zones = zones.freeze
        freeze
      end

      def cells = rows.flatten

      def width = rows.first.size

      # Share of cells at `level` or above.
      def share(level) = cells.count { |cell| cell >= level }.fdiv(cells.size)

      def coverage = share(1)

      def blockage = share(3)

      def mean = average(cells)

      def evenness = [1 - deviation / 2, 0.0].max

      # Mean of the third at the feed end less that at the far end, −4 to 4.
      def feed_bias = average(feed_third) - average(far_third)

      def far_mean = average(far_third)

      # Mean of the lowest third of the rows less that of the highest.
      def bottom_bias
        third = (rows.size / 3.0).ceil
        average(rows.last(third).flatten) - average(rows.first(third).flatten)
      end

      # Mean of the side third less that of the other side.
      def side_bias(side)
        toward, away = (side == "left") ? [left_third, right_third] : [right_third, left_third]
        average(toward) - average(away)
      end

      # position => contrast; nil where a zone has no others.
      def contrasts
        @zones.to_h do |position, span|
          others = @zones.except(position).values.flat_map { |other| columns(*other) }
          [position, others.empty? ? nil : average(columns(*span)) - average(others)]
        end
      end

      def to_h
        {
          coverage: coverage.round(2),
          blockage: blockage.round(2),
          mean: mean.round(2),
          evenness: evenness.round(2),
          feed_bias: feed_bias.round(2),
          bottom_bias: bottom_bias.round(2),
          zones: contrasts.map { |position, contrast| {position:, contrast: contrast&.round(2)} }
        }
      end

      private

      def average(values) = values.sum.fdiv(values.size)

      def deviation
        Math.sqrt(cells.sum { |cell| (cell - mean)**2 } / cells.size.to_f)
      end

      def columns(first, last) = rows.flat_map { |row| row[first..last] }

      def left_third = columns(0, (width / 3.0).ceil - 1)

      def right_third = columns(width - (width / 3.0).ceil, width - 1)

      def feed_third = (@feed_end == "left") ? left_third : right_third

      def far_third = (@feed_end == "left") ? right_third : left_third
    end
  end
end
