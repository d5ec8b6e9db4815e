# frozen_string_literal: true

module Shared
  module Drawing
    # One reading on a scale that several fans share: window as a band, reading as a
    # needle, error as a dotted block. Stretches to its place; its words stand beside
    # it in the page.
    class AmpsScale
      WIDTH = 600
      HEIGHT = 34

      # @param legs [Array<Hash>] "amps", "error", "verdict" as the core gave them
      # @param window [Hash] "low", "high"
      # @param top [Float] the scale's end, amps
      def initialize(legs:, window:, top:, label:)
        @legs = legs
        @window = window
        @top = top
        @label = label
      end

      # The end of a scale that holds all of these.
      def self.top_for(readings)
        most =
          readings
            .flat_map do |reading|
              [reading.window&.high, *reading.legs.map { |leg| leg.amps + leg.error }]
            end
            .compact
            .max
        most ? most * 1.25 : 1.0
      end

      def svg
        svg = Svg.new(WIDTH, HEIGHT, label: @label, css: "scale", stretch: true)
        svg.rect(1, 6, WIDTH - 2, 20, "scale-track")
        svg.rect(x(@window["low"]), 6, x(@window["high"]) - x(@window["low"]), 20, "scale-window") if @window
        9.times { |index| svg.line(WIDTH * index / 8.0, 26, WIDTH * index / 8.0, 31, "line-tick") }
        @legs.each { |leg| needle(svg, leg) }
        svg.to_s
      end

      private

      def x(amps) = [amps / @top.to_f, 1.0].min * WIDTH

      def needle(svg, leg)
        bad = %w[over under locked none].include?(leg.verdict)
        low, high = [leg.amps - leg.error, 0].max, leg.amps + leg.error
        svg.rect(x(low), 10, x(high) - x(low), 12, bad ? "scale-error-bad" : "scale-error") if leg.error.positive?
        svg.line(x(leg.amps), 1, x(leg.amps), 31, bad ? "needle-bad" : "needle")
      end
    end
  end
end
