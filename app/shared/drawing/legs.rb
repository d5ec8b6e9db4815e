# frozen_string_literal: true

module Shared
  module Drawing
    # Three legs side by side: each as a bar from the mean, the limits as lines, and
    # after rolling the leads where each lead's current went.
    class Legs
      WIDTH = 560
      HEIGHT = 230
      COLUMN = 110
      MIDDLE = 104
      REACH = 70

      # @param values [Array<Float>] a, b, c; @param rolled the same by line, after
      # @param limits [Array<Float>] unbalance in % that is watched, and that is a fault
      def initialize(values:, unit:, limits:, names: %w[a b c], rolled: nil, lost: nil)
        @values = values
        @unit = unit
        @limits = limits
        @names = names
        @rolled = rolled
        @lost = lost
      end

      def svg
        @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        columns(@values, 24)
        rolled if @rolled
        @svg.to_s
      end

      private

      def words
        legs = @names.zip(@values).map { |name, value| "#{name} #{value} #{@unit}" }
        "Three legs: #{legs.join(", ")}#{"; leg #{@lost} is lost" if @lost}"
      end

      def mean(values) = values.sum.fdiv(values.size)

      # The scale ends a little beyond the worst leg, or beyond the first limit.
      def full = @full ||= [@limits.first * 1.25, worst * 1.2].max

      def worst
        [@values, @rolled].compact.flat_map { |values| values.map { |value| deviation(value, values).abs } }.max
      end

      def deviation(value, values)
        mean(values).zero? ? 0.0 : 100.0 * (value - mean(values)) / mean(values)
      end

      def columns(values, left)
        limit_lines(left)
        values.each_with_index do |value, index|
          column(value, deviation(value, values), left + 20 + index * COLUMN, index)
        end
        @svg.line(left, MIDDLE, left + COLUMN * 3 + 6, MIDDLE, "line-pipe")
        @svg.text(left + COLUMN * 3 + 4, MIDDLE - 6, "mean", "axis-words", text_anchor: "end")
      end

      def limit_lines(left)
        @limits.each_with_index do |limit, index|
          next if limit > full
          [-1, 1].each do |sign|
            @svg.line(
              left,
              MIDDLE + sign * limit / full * REACH,
              left + COLUMN * 3 + 6,
              MIDDLE + sign * limit / full * REACH,
              index.zero? ? "limit-soft" : "limit-hard"
            )
          end
          @svg.text(
            left + COLUMN * 3 + 4,
            MIDDLE - limit / full * REACH - 3,
            "#{Fenbo::Quantities.tidy(limit)} %",
            "axis-figure",
            text_anchor: "end"
          )
        end
      end

      def column(value, share, x, index)
        bad = share.abs > @limits.last || @names[index] == @lost
        high = (share / full).clamp(-1, 1) * REACH
        @svg.rect(x, (high >= 0) ? MIDDLE - high : MIDDLE, 46, [high.abs, 2].max, bad ? "leg-bad" : "leg")
        @svg.text(x + 23, HEIGHT - 26, @names[index], "leg-name", text_anchor: "middle")
        @svg.text(
          x + 23,
          HEIGHT - 8,
          "#{Fenbo::Quantities.tidy(value.round(2))} #{@unit}",
          bad ? "leg-figure leg-figure-bad" : "leg-figure",
          text_anchor: "middle"
        )
      end

      # Each lead moved one line on; its arrow shows where its current is now.
      def rolled
        left = 400
        @svg.text(left, 24, "rolled one step", "axis-words")
        3.times do |index|
          from, to = 48 + index * 46, 48 + (index + 1) % 3 * 46
          @svg.path(
            "M#{left + 6} #{from} C#{left + 34} #{from} #{left + 30} #{to} #{left + 62} #{to}",
            (index == high) ? "roll roll-high" : "roll"
          )
          @svg.text(left - 6, from + 5, @names[index], "leg-name", text_anchor: "end")
          @svg.text(left + 70, from + 5, "#{Fenbo::Quantities.tidy(@rolled[index].round(2))} #{@unit}", "leg-figure")
        end
      end

      def high = @values.each_index.max_by { |index| @values[index] }
    end
  end
end
