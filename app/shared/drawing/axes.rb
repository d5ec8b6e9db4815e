# frozen_string_literal: true

module Shared
  module Drawing
    # Two axes for a curve: what is where, and the ticks with their figures. `left` is
    # the room for figures beside the drawing.
    class Axes
      LEFT = 46
      BOTTOM = 26
      RIGHT = 22

      # @param across [Range] @param up [Range] of figures shown
      def initialize(svg, width, height, across:, up:)
        @svg = svg
        @width = width
        @height = height
        @across = across
        @up = up
      end

      def x(value)
        LEFT + (value - @across.begin) / span(@across) * (@width - LEFT - RIGHT)
      end

      def y(value)
        8 + (1 - (value - @up.begin) / span(@up)) * (@height - BOTTOM - 8)
      end

      def right = @width - RIGHT

      def base = @height - BOTTOM

      # Ticks at round steps with figures; the words stand at each axis' end.
      # @param up_words [String, nil] the unit where none is given
      # @param up_kind [String, nil] of Quantities, where what goes up is shown in the reader's units
      def draw(across_words:, up_words: nil, up_kind: nil, system: "si")
        @svg.line(LEFT, 8, LEFT, base, "line-medium").line(LEFT, base, right, base, "line-medium")
        steps(@across).each do |at|
          @svg.line(x(at), base, x(at), base + 5, "line-tick").text(
            x(at),
            base + 19,
            figure(at),
            "axis-figure",
            text_anchor: "middle"
          )
        end
        up_steps(up_kind, system).each do |at, told|
          @svg.line(LEFT - 5, y(at), LEFT, y(at), "line-tick").text(
            LEFT - 8,
            y(at) + 4,
            figure(told),
            "axis-figure",
            text_anchor: "end"
          )
        end
        @svg.text(right, base - 6, across_words, "axis-words", text_anchor: "end").text(
          LEFT + 8,
          18,
          up_words || Fenbo::Quantities.unit(up_kind, system),
          "axis-words"
        )
      end

      def path(points)
        "M" + points.map { |a, b| Svg.p(x(a), y(b)) }.join(" L")
      end

      private

      # Where it stands => the figure, round in what is shown.
      def up_steps(kind, system)
        return steps(@up).to_h { |at| [at, at] } unless kind
        ends = [@up.begin, @up.end].map { |value| Fenbo::Quantities.shown(value, kind, system, digits: 6) }
        steps(Range.new(*ends)).to_h { |told| [Fenbo::Quantities.stored(told, kind, system), told] }
      end

      def span(range) = [(range.end - range.begin).to_f, 1e-9].max

      # Four to seven round figures.
      def steps(range)
        rough = span(range) / 5
        unit = 10.0**Math.log10(rough).floor
        step = [1, 2, 5, 10].map { |factor| factor * unit }.find { |one| one >= rough }
        ((range.begin / step).ceil..(range.end / step).floor).map { |count| count * step }
      end

      def figure(value)
        ((value == value.round) ? value.round.to_s : format("%.3g", value)).sub(/\A-/, "−")
      end
    end
  end
end
