# frozen_string_literal: true

module Shared
  module Drawing
    # A box that drifts: its temperature from now on, the product's limit, and the hour
    # it is passed.
    class DriftCurve
      WIDTH = 560
      HEIGHT = 240

      # @param result [Hash] of `product`, string keys; @param asked its question; earlier readings in
      #   it are drawn before now
      # @param system [String] whose units are shown
      def initialize(result:, asked:, system: "si")
        @result = result
        @asked = asked
        @system = system
      end

      def svg
        @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        axes = Axes.new(@svg, WIDTH, HEIGHT, across: -before..span, up: low..high)
        axes.draw(across_words: "hours from now", up_kind: "temperature", system: @system)
        past(axes)
        axes_line(axes)
        @svg.to_s
      end

      private

      def words
        "Box temperature from now: " \
        "#{hours ? "passes #{limit} in #{hours.round(1)} hours" : @result.verdict}"
      end

      def limit
        Fenbo::Quantities.show(@asked["limit_c"], "temperature", @system)
      end

      def hours = @result.hours_to_limit

      def tau = @result.tau_hours || 10.0

      def span = hours&.positive? ? [hours * 1.7, tau * 0.5].max : tau * 2.0

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

      def past(axes)
        if hours&.between?(0, span)
          @svg.rect(axes.x(hours), 8, axes.right - axes.x(hours), axes.base - 8, "past-limit").line(
            axes.x(hours),
            8,
            axes.x(hours),
            axes.base,
            "limit-line"
          )
          @svg.text(axes.x(hours) + 6, 26, "#{hours.round(1)} h", "limit-words")
        end
        soon, late = @result.hours_between
        if soon && soon < span
          @svg.rect(axes.x(soon), axes.y(@asked["limit_c"]) - 5, axes.x([late || span, span].min) - axes.x(soon), 10,
            "unsure")
        end
        @svg.line(Axes::LEFT, axes.y(@asked["limit_c"]), axes.right, axes.y(@asked["limit_c"]), "limit-hard")
        @svg.text(
          axes.right - 4,
          axes.y(@asked["limit_c"]) - 5,
          "limit #{limit}",
          "axis-words",
          text_anchor: "end"
        )
      end

      def axes_line(axes)
        @svg.path(axes.path(temperatures), "curve")
        readings.select { |one| one["hours_ago"] <= before }.each do |one|
          @svg.circle(axes.x(-one["hours_ago"]), axes.y(one["c"]), 3.5, "trend-dot")
        end
        @svg.circle(axes.x(0), axes.y(@asked["now_c"]), 5, "trend-dot")
      end
    end
  end
end
