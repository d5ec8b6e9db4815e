# frozen_string_literal: true

module Units
  # Amps of one fan over the years against its window.
  class Trend
    WIDTH = 420
    HEIGHT = 96

    # @param exchanges [Array<Date>] when another motor came in: its amps are no other's
    def initialize(points:, window:, label:, exchanges: [])
      @points = points
      @window = window
      @exchanges = exchanges.map(&:to_time)
      @label = label
    end

    def svg
      svg = Shared::Drawing::Svg.new(WIDTH, HEIGHT, label: @label, css: "trend")
      svg.rect(0, y(@window["high"]), WIDTH, y(@window["low"]) - y(@window["high"]), "scale-window") if @window
      years(svg)
      @exchanges.each { |at| exchange(svg, x(at)) }
      motors.each { |points| svg.path(line(points), "trend-line") if points.size > 1 }
      @points.each do |point|
        svg.circle(
          x(point.at),
          y(point.amps),
          (point == @points.last) ? 5 : 3.5,
          bad?(point) ? "trend-bad" : "trend-dot"
        )
      end
      svg.line(0, HEIGHT - 14, WIDTH, HEIGHT - 14, "line-thin")
      svg.to_s
    end

    private

    def bad?(point) = %w[over under locked none].include?(point.verdict)

    def top
      @top ||= [@window && @window["high"] * 1.15, *@points.map { |point| point.amps * 1.1 }].compact.max
    end

    def bottom
      @bottom ||= [@window && @window["low"] * 0.8, *@points.map { |point| point.amps * 0.9 }].compact.min
    end

    def y(amps)
      6 + (HEIGHT - 26) * (1 - (amps - bottom) / (top - bottom).to_f)
    end

    def from = @from ||= @points.map(&:at).min

    def span = @span ||= [@points.map(&:at).max - from, 1].max

    def x(at) = 8 + (WIDTH - 16) * (at - from) / span

    # The points of one motor after the other's.
    def motors
      @points.group_by { |point| @exchanges.count { |at| at.to_date < point.at.to_date || after?(point, at) } }.values
    end

    def after?(point, at)
      at.to_date == point.at.to_date && point.phase == "after"
    end

    def exchange(svg, at)
      svg.line(at, 0, at, HEIGHT - 14, "trend-cut")
      svg.text(at + ((at > WIDTH / 2) ? -4 : 4), 12, "new motor", "tiny",
        text_anchor: (at > WIDTH / 2) ? "end" : "start")
    end

    def line(points)
      "M" + points.map { |point| Shared::Drawing::Svg.p(x(point.at), y(point.amps)) }.join(" L")
    end

    def years(svg)
      (from.year + 1..(from + span).year).each do |year|
        at = x(Time.utc(year))
        svg.line(at, 0, at, HEIGHT - 14, "line-fin").text(at + 3, HEIGHT - 2, year, "tiny")
      end
    end
  end
end
