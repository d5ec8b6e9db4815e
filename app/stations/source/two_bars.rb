# frozen_string_literal: true

module Stations
  module Source
    # Two amounts beside each other as bars, the better one filled green: now or when it fails,
    # what is paid once or what is saved a year.
    class TwoBars
      WIDTH, HEIGHT = 400, 76
      LEFT, ROOM = 96, 206

      # @param rows [Hash{String => Integer}] what it is => cents
      # @param best [String] which of them is the better
      # @param money [Proc] cents in words
      def initialize(rows, best:, money:)
        @rows = rows
        @best = best
        @money = money
      end

      def svg
        svg = Shared::Drawing::Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        @rows.each_with_index { |(name, cents), index| bar(svg, 6 + index * 36, name, cents) }
        svg.to_s
      end

      private

      def words
        @rows.map { |name, cents| "#{name} #{@money.call(cents)}" }.join(", ")
      end

      def bar(svg, y, name, cents)
        wide = [cents.to_f / [*@rows.values, 1].max * ROOM, 3].max
        svg.text(0, y + 18, name, "axis-words").rect(LEFT, y, wide, 26, (name == @best) ? "work-best" : "work-done")
        svg.text(LEFT + wide + 8, y + 18, @money.call(cents), "axis-figure")
      end
    end
  end
end
