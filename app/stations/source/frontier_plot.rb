# frozen_string_literal: true

module Stations
  module Source
    # What it costs against when it is done: every option a point, those that no other beats on
    # both joined by a line; to its right and above it lies what somebody pays for nothing.
    class FrontierPlot
      WIDTH, HEIGHT = 340, 176

      # @param money [Proc] cents in words
      def initialize(options, scale:, money:)
        @options = options.first(40)
        @scale = scale
        @money = money
      end

      # Two points make no line.
      def worth? = @options.map(&:total_cents).uniq.size > 1

      def svg
        @svg = Shared::Drawing::Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        @axes = Shared::Drawing::Axes.new(@svg, WIDTH, HEIGHT, across: 0.0..span, up: 0.0..top)
        @axes.draw(across_words: "hours till it is done", up_words: Shared::Shop.symbol)
        line
        @options.reject(&:frontier).each { |one| @svg.circle(*place(one), 4, "plot-beaten") }
        best.each { |one| @svg.circle(*place(one), 6, "plot-best") }
        @svg.to_s
      end

      private

      def best = @options.select(&:frontier).sort_by(&:finish_at)

      def words
        "Cost against time: " + best.map { |one|
          "#{@money.call(one.total_cents)} in #{hours(one).round(1)} hours"
        }.join(", ")
      end

      def hours(option) = @scale.hours(option.finish_at)

      def span = [@options.map { |one| hours(one) }.max * 1.08, 1].max

      def top = [@options.map(&:total_cents).max / 100.0 * 1.12, 1].max

      def place(option)
        [@axes.x(hours(option)), @axes.y(option.total_cents / 100.0)]
      end

      # Down in steps: between two points nothing is had for less than the first costs.
      def line
        points = best.map { |one| place(one) }
        steps = points.each_cons(2).flat_map { |(_, y), (x, low)| [[x, y], [x, low]] }
        @svg.path("M" + [points.first, *steps].map { |x, y| "#{x.round(1)} #{y.round(1)}" }.join(" L"), "curve-fine")
      end
    end
  end
end
