# frozen_string_literal: true

module Shared
  module Drawing
    # Pull-down: the readings, the curve fitted through them with its band, the setpoint
    # and where it arrives.
    class CoolingCurve
      WIDTH = 560
      HEIGHT = 260

      # @param result [Hash] of `pulldown`, string keys; @param asked its question
      # @param food_limit_c [Float, nil]
      # @param system [String] whose units are shown
      def initialize(result:, asked:, food_limit_c: nil, system: "si")
        @system = system
        @result = result
        @readings = asked["readings"]
        @setpoint = asked["setpoint_c"]
        @food = food_limit_c
      end

      def svg
        @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        @axes = Axes.new(@svg, WIDTH, HEIGHT, across: first..last, up: low..high)
        @axes.draw(across_words: "minutes", up_kind: "temperature", system: @system)
        level(@setpoint, "setpoint", "limit-soft")
        level(@food, "product's limit", "limit-hard") if @food&.between?(low, high)
        fitted if @result.tau_minutes
        @readings.each do |row|
          @svg.circle(@axes.x(row["minute"]), @axes.y(row["c"]), (@readings.size > 60) ? 2 : 4, "trend-dot")
        end
        @svg.to_s
      end

      private

      def words
        "#{@readings.size} readings, " +
          @result.verdict.tr("_", " ") +
          (@result.arrives_minute ? ", arrives at minute #{@result.arrives_minute}" : "")
      end

      def first = @readings.map { |row| row["minute"] }.min.to_f

      def last
        [*@readings.map { |row| row["minute"] }, (@result.arrives_minute || 0) * 1.08, first + 1].max.to_f
      end

      def temperatures
        @readings.map { |row| row["c"] } + [@setpoint, @result.settles_c].compact
      end

      def low = temperatures.min - 1.0

      def high = temperatures.max + 1.0

      def level(c, words, css)
        @svg.line(Axes::LEFT, @axes.y(c), @axes.right, @axes.y(c), css)
        @svg.text(Axes::LEFT + 8, @axes.y(c) - 6, words, "axis-words")
      end

      # T(t) = T∞ + (T0 − T∞)·e^(−t/τ), T0 where the curve passes the first reading.
      def fitted
        settles, tau, off = @result.settles_c, @result.tau_minutes, [2 * @result.rmse_c, 0.05].max
        start = start_c(settles, tau)
        points =
          (0..48)
            .map { |step| first + (last - first) * step / 48 }
            .map { |minute| [minute, settles + (start - settles) * Math.exp(-(minute - first) / tau)] }
        band = points.map { |at, c| [at, c + off] } + points.reverse.map { |at, c| [at, c - off] }
        @svg.path("#{@axes.path(band)} Z", "curve-band").path(@axes.path(points), "curve")
        arrival
      end

      # Least squares for T0 with the other two given.
      def start_c(settles, tau)
        weights = @readings.map { |row| Math.exp(-(row["minute"] - first) / tau) }
        settles +
          @readings.each_index.sum { |i| (@readings[i]["c"] - settles) * weights[i] } / weights.sum { |one| one**2 }
      end

      def arrival
        at = @result.arrives_minute or return
        @svg.line(@axes.x(at), @axes.y(@setpoint), @axes.x(at), @axes.y(@setpoint) - 40, "line-leader").text(
          @axes.x(at) - 6,
          @axes.y(@setpoint) - 44,
          "minute #{at.round}",
          "leg-figure",
          text_anchor: "end"
        )
      end
    end
  end
end
