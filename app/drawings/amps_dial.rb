# frozen_string_literal: true

module Drawings
  # The gauge behind the clamp reading: window, needle with its error, and the
  # conductor wrapped through the jaw.
  class AmpsDial
    WIDTH = 440
    HEIGHT = 216
    CX = 170
    CY = 184
    R = 132
    FROM = 180.0
    TO = 360.0

    # @param result [Hash, nil] of `amps`; nil draws the empty gauge
    # @param window [Hash, nil] where there is no result yet
    def initialize(result: nil, window: nil, turns: 1, nameplate: nil)
      @result = result
      @window = result ? result["window"] : window
      @turns = turns
      @nameplate = nameplate
    end

    def svg
      @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "dial")
      @svg.path(Svg.arc(CX, CY, R, FROM, TO), "dial-face")
      window
      scale
      (@result ? @result["legs"] : []).each { |leg| needle(leg) }
      @svg.circle(CX, CY, 9, "fill-ink")
      jaw
      @svg.to_s
    end

    private

    def words
      return "Gauge without a reading" unless @result
      "Gauge: #{@result["legs"].map { |leg| "#{leg["amps"]} A" }.join(", ")}, #{@result["verdict"].tr("_", " ")}, #{@turns} turns through the clamp"
    end

    # The scale ends where the window sits well inside it.
    def top
      @top ||= begin
        most = [@window && @window["high"] * 1.45, *(@result ? @result["legs"].map { |leg| (leg["amps"] + leg["error"]) * 1.1 } : [])].compact.max || 1.0
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
      x, y = Svg.polar(CX, CY, R + 18, at)
      @svg.text(x, y + 4, format("%.3g", top * index / 10), "dial-figure", text_anchor: "middle")
    end

    def needle(leg)
      bad = %w[over under locked none].include?(leg["verdict"])
      error(leg, bad) if leg["error"].to_f.positive?
      x, y = Svg.polar(CX, CY, R - 6, angle(leg["amps"]))
      @svg.line(CX, CY, x, y, bad ? "dial-needle-bad" : "dial-needle")
    end

    # What the meter cannot tell: a sector, dotted or hatched.
    def error(leg, bad)
      from, to = angle([leg["amps"] - leg["error"], 0].max), angle(leg["amps"] + leg["error"])
      a, b = Svg.polar(CX, CY, R - 22, from), Svg.polar(CX, CY, R - 22, to)
      @svg.path("M#{CX} #{CY} L#{Svg.p(*a)} A#{R - 22} #{R - 22} 0 0 1 #{Svg.p(*b)} Z", bad ? "dial-error-bad" : "dial-error")
    end

    # The clamp's jaw with the conductor going through it as often as it was
    # wrapped.
    def jaw
      x, y = 388, 46
      @svg.path("M#{x - 22} #{y + 40} V#{y - 6} A22 26 0 0 1 #{x + 22} #{y - 6} V#{y + 40}", "jaw")
      @svg.rect(x - 30, y + 40, 60, 30, "jaw-body", rx: 4)
      [@turns, 6].min.times { |index| @svg.path("M#{x - 44} #{y + 26 - index * 8} q44 -16 88 0", "conductor") }
      @svg.text(x, y + 92, "#{@turns} #{(@turns == 1) ? "turn" : "turns"}", "dial-figure", text_anchor: "middle")
    end
  end
end
