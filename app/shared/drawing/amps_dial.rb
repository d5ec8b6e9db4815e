# frozen_string_literal: true

module Shared
  module Drawing
    # The gauge behind the clamp reading: window, needle with its error, and the
    # conductor wrapped through the jaw.
    class AmpsDial
      WIDTH = 440
      HEIGHT = 216
      CX = 170
      CY = 184
      R = 132
      FROM = 180
      TO = 360

      # @param result [Hash, nil] of `amps`; nil draws the empty gauge
      # @param window [Hash, nil] where there is no result yet
      def initialize(result: nil, window: nil, turns: 1, nameplate: nil)
        @result = result
        @window = result ? result.window : window
        @turns = turns
        @nameplate = nameplate
      end

      def svg
        @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "dial")
        @svg.path(Svg.arc(CX, CY, R, FROM, TO), "dial-face")
        window
        scale
        (@result ? @result.legs : []).each { |leg| needle(leg) }
        @svg.circle(CX, CY, 9, "fill-ink")
        jaw
        @svg.to_s
      end

      private

      def words
        return "Gauge without a reading" unless @result
        "Gauge: #{@result.legs.map { |leg| "#{leg.amps} A" }.join(", ")}, " \
        "#{@result.verdict.tr("_", " ")}, #{@turns} turns through the clamp"
      end

      # The scale ends where the window sits well inside it.
      def top
        @top ||=
          begin
            most =
              [
                @window && @window["high"] * 1.45,
                *(@result ? @result.legs.map { |leg| (leg.amps + leg.error) * 1.1 } : [])
              ].compact.max || 1.0
            step = 10.0**Math.log10([most, 0.001].max).floor
            [1, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10].map { |factor| factor * step }.find { |end_value| end_value >= most }
          end
      end

      def angle(amps) = FROM + (TO - FROM) * (amps / top).clamp(0, 1.0)

      def window
        return unless @window
        @svg.path(Svg.arc(CX, CY, R - 10, angle(@window["low"]), angle(@window["high"])), "dial-window")
      end

      def scale
        (0..10).each do |index|
          at = FROM + (TO - FROM) * index / 10.0
          outer = Svg.polar(CX, CY, R, at)
          inner = Svg.polar(CX, CY, R - (index.even? ? 20 : 11), at)
          @svg.line(*inner, *outer, "line-tick")
          figure(index, at) if index.even?
        end
      end

      def figure(index, at)
        x, y = Svg.polar(CX, CY, R + 12, at)
        anchor = (index < 5) ? "end" : "start"
        @svg.text(x, y + 4, format("%.3g", top * index / 10), "dial-figure", text_anchor: anchor)
      end

      def needle(leg)
        bad = %w[over under locked none].include?(leg.verdict)
        error(leg, bad) if leg.error.to_f.positive?
        x, y = Svg.polar(CX, CY, R - 6, angle(leg.amps))
        @svg.line(CX, CY, x, y, bad ? "dial-needle-bad" : "dial-needle")
      end

      # What the meter cannot tell: a sector, dotted or hatched.
      def error(leg, bad)
        from, to = angle([leg.amps - leg.error, 0].max), angle(leg.amps + leg.error)
        a, b = Svg.polar(CX, CY, R - 22, from), Svg.polar(CX, CY, R - 22, to)
        @svg.path(
          "M#{CX} #{CY} L#{Svg.p(*a)} A#{R - 22} #{R - 22} 0 0 1 #{Svg.p(*b)} Z",
          bad ? "dial-error-bad" : "dial-error"
        )
      end

      # The clamp, its two jaws closing on the conductor that goes through as often as it
      # was wrapped.
      def jaw
        x, y = 392, 46
        turns = [@turns, 6].min
        turns.times do |index|
          @svg.path("M#{x - 46} #{y + (index - (turns - 1) / 2.0) * 6 + 5} q46 -10 92 0", "conductor")
        end
        @svg.path("M#{x - 3} #{y - 29} A30 30 0 0 0 #{x - 14} #{y + 27}", "jaw").path(
          "M#{x + 3} #{y - 29} A30 30 0 0 1 #{x + 14} #{y + 27}",
          "jaw"
        )
        @svg.path(
          "M#{x - 22} #{y + 30} H#{x + 22} L#{x + 26} #{y + 44} L#{x + 17} #{y + 104} H#{x - 17} L#{x - 26} " \
          "#{y + 44} Z",
          "jaw-body"
        )
        @svg.path("M#{x - 30} #{y + 38} l-9 14 l5 3 l8 -10 Z", "jaw-body").rect(
          x - 13,
          y + 62,
          26,
          18,
          "fill-sheet",
          rx: 2
        )
        @svg.text(x, y + 128, "#{@turns} #{(@turns == 1) ? "turn" : "turns"}", "dial-figure", text_anchor: "middle")
      end
    end
  end
end
