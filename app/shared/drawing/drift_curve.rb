# frozen_string_literal: true

module Shared
  module Drawing
    # A box that drifts: its temperature since it was read, the product's limit, and the hour from
    # now in which it is passed.
    class DriftCurve
      WIDTH = 560
      HEIGHT = 240

      # @param result [Hash] of `product`, string keys; @param asked its question; earlier readings in
      #   it are drawn before now
      # @param read_ago [Float] hours since the last reading
      # @param system [String] whose units are shown
      def initialize(result:, asked:, read_ago: 0.0, system: "si")
        @result = result
        @asked = asked
        @read_ago = read_ago
        @system = system
      end

      def svg
        @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        @axes = Axes.new(@svg, WIDTH, HEIGHT, across: (-before - @read_ago)..(span - @read_ago), up: low..high)
        @axes.draw(across_words: "hours from now", up_kind: "temperature", system: @system)
        past if hours&.between?(0, span)
        unsure
        limit_line
        curve
        @svg.to_s
      end

      private

      def words
        "Box temperature from now: #{hours ? "passes #{limit} in #{left.round(1)} hours" : @result.verdict}"
      end

      def limit
        Fenbo::Quantities.show(@asked["limit_c"], "temperature", @system)
      end

      # Hours after the reading, as all that follows; `left` is from now.
      def hours = @result.hours_to_limit

      def left = [hours - @read_ago, 0].max

      def x(at) = @axes.x(at - @read_ago)

      def tau = @result.tau_hours || 10.0

      def span
        [hours&.positive? ? [hours * 1.7, tau * 0.5].max : tau * 2.0, @read_ago * 1.2].max
      end

      def temperatures
        (0..40)
          .map { |step| step * span / 40 }
          .map { |at| [at, @asked["end_c"] - (@asked["end_c"] - @asked["now_c"]) * Math.exp(-at / tau)] }
      end

      # What was read before now.
      def readings
        @readings ||= @asked["readings"].to_a + [@asked["earlier"]].compact
      end

      # Hours of them that are drawn.
      def before
        [readings.map { |one| one["hours_ago"] }.max.to_f, span * 0.6].min
      end

      def range
        [*temperatures.map(&:last), *readings.map { |one| one["c"] }, @asked["limit_c"]].minmax
      end

      def low = range.first - (range.last - range.first) * 0.1 - 0.2

      def high = range.last + (range.last - range.first) * 0.12 + 0.2

      def past
        @svg.rect(x(hours), 8, @axes.right - x(hours), @axes.base - 8, "past-limit")
        @svg.line(x(hours), 8, x(hours), @axes.base, "limit-line")
        @svg.text(x(hours) + 6, 26, "#{left.round(1)} h", "limit-words")
      end

      def unsure
        soon, late = @result.hours_between
        return unless soon && soon < span
        soon = [soon, @read_ago].max
        @svg.rect(x(soon), @axes.y(@asked["limit_c"]) - 5, x([late || span, span].min) - x(soon), 10, "unsure")
      end

      def limit_line
        at = @axes.y(@asked["limit_c"])
        @svg.line(Axes::LEFT, at, @axes.right, at, "limit-hard")
        @svg.text(@axes.right - 4, at - 5, "limit #{limit}", "axis-words", text_anchor: "end")
      end

      def curve
        @svg.line(@axes.x(0), 8, @axes.x(0), @axes.base, "line-tick") if @read_ago > 0.05
        @svg.path(@axes.path(temperatures.map { |at, celsius| [at - @read_ago, celsius] }), "curve")
        readings.select { |one| one["hours_ago"] <= before }.each do |one|
          @svg.circle(x(-one["hours_ago"]), @axes.y(one["c"]), 3.5, "trend-dot")
        end
        @svg.circle(x(0), @axes.y(@asked["now_c"]), 5, "trend-dot")
      end
    end
  end
end
