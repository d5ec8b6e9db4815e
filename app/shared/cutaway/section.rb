# frozen_string_literal: true

module Shared
  module Cutaway
    # A cabinet cut open: on the left the whole of it with the part in hand marked, on the
    # right its fans with coil, cover, drain and the way of the air, drawn large. Each
    # family draws its own cabinet; what they share is here.
    class Section < Plate
      CABINET = {x: 18, y: 10, width: 206, height: 268}.freeze
      LARGE = {x: 268, width: 440}.freeze

      private

      def height = 300

      def draw
        cabinet
        @svg.line(236, 20, 236, 272, "line-thin")
        cold.any? ? large_cold : large_warm
        large_warm(168) if cold.any? && warm.any?
      end

      def cold = positions.select { |position| position.side == "evaporator" }

      def warm = positions.select { |position| position.side == "condenser" }

      # The outline and floor; families draw into it.
      def cabinet
        c = CABINET
        @svg.rect(c[:x], c[:y], c[:width], c[:height], "plate-case", rx: 3).rect(
          c[:x] + 10,
          c[:y] + 10,
          c[:width] - 20,
          c[:height] - 20,
          "plate-wall",
          rx: 2
        )
        @svg.rect(c[:x] - 6, c[:y] + c[:height], c[:width] + 12, 6, "fill-ink")
      end

      # Insulated walls between compartments are hatched.
      def wall(x, y, width, height)
        @svg.rect(x, y, width, height, "plate-hatch")
      end

      def small_coil(x, y, width, height, css = "line-tube")
        @svg.rect(x, y, width, height, "line-thin-box")
        (1..3).each { |row| @svg.line(x, y + height * row / 4.0, x + width, y + height * row / 4.0, css) }
        part("coil", x, y, width, height)
      end

      def small_fan(cx, cy, here: true)
        @svg.circle(cx, cy, 9, "small-ring").circle(cx, cy, 2.5, "fill-ink")
        @svg.circle(cx, cy, 15, "ring-hand") if here
      end

      def compressor(cx, cy)
        @svg.circle(cx, cy, 15, "plate-case").line(cx - 8, cy + 15, cx + 8, cy + 15, "line-pipe")
      end

      def shelf(x1, x2, y) = @svg.line(x1, y, x2, y, "line-thin")

      # Warm air in, cold air out, or not: the arrow says what is known of the fans.
      def air(points, fans = cold)
        css = air_state(fans)
        @svg.path("M" + points.map { |x, y| Drawing::Svg.p(x, y) }.join(" L"), "air air-#{css}")
        return if css == "still"
        (x1, y1), (x2, y2) = (css == "back") ? points.first(2).reverse : points.last(2)
        turn = Math.atan2(y2 - y1, x2 - x1) * 180 / Math::PI
        @svg.path(
          "M0 0 L-10 -5 L-10 5 Z",
          "air-head air-head-#{css}",
          transform: "translate(#{x2.round(1)} #{y2.round(1)}) rotate(#{turn.round(1)})"
        )
      end

      def air_state(fans)
        seen = fans.map { |position| outcomes(position) }
        if seen.any? { |one| one["airflow"] == "none" && one["fan_motion"] == "normal" } ||
            unit_outcomes["load_blocking_air"] == "yes"
          return "blocked"
        end
        motions = seen.filter_map { |one| one["fan_motion"] }
        return "unknown" if motions.empty?
        return "still" if motions.all? { |motion| %w[stopped twitching].include?(motion) }
        motions.include?("reversed") ? "back" : "runs"
      end

      # The evaporator assembly, large.
      def large_cold(y = 18, high = warm.any? ? 140 : 262)
        x, width = LARGE.values_at(:x, :width)
        @svg.rect(x, y, width, high, "plate-case", rx: 2)
        fins(x + 16, y + 12, width - 32, high - 44)
        frost(x + 16, y + 12, width - 32, high - 44)
        zone = width.fdiv(cold.size)
        cold.each_with_index do |position, index|
          fan(position, x + zone * (index + 0.5), y + 12 + (high - 44) / 2.0, [zone * 0.36, (high - 44) / 2.0 - 10].min)
        end
        pan(x, y + high - 26, width)
        part("coil", x + 16, y + 12, 60, high - 44)
      end

      def fins(x, y, width, high)
        @svg.fins(x, y, high, step: 10, count: (width / 10).floor + 1)
        [0.2, 0.5, 0.8].each { |share| @svg.line(x - 10, y + high * share, x + width, y + high * share, "line-tube") }
        @svg.line(x - 26, y + high * 0.2, x - 8, y + high * 0.2, "line-feed")
      end

      def frost(x, y, width, high)
        pattern = cold.filter_map { |position| outcomes(position)["frost_pattern"] }.last
        level =
          {
            "even_light" => 1,
            "even_blocked" => 4,
            "behind_one_fan" => 3,
            "fan_ring_ice" => 2,
            "feed_end_only" => 3,
            "near_door" => 2
          }[
            pattern
          ]
        if level
          @svg.rect(
            x,
            y,
            (pattern == "feed_end_only") ? width / 3 : width,
            high,
            "frost",
            fill: "url(##{Drawing::Textures::FROST[level - 1]})"
          )
        end
        @svg.rect(x, y + high * 0.66, width, high * 0.34, "frost", fill: "url(#frost-4)") if pattern == "bottom_ice"
      end

      def pan(x, y, width)
        @svg.path("M#{x + 10} #{y} H#{x + width - 10} L#{x + width - 30} #{y + 14} H#{x + 30} Z", "plate-pan").path(
          "M#{x + width - 60} #{y + 14} v9 h20",
          "line-pipe"
        )
        if unit_outcomes["water_present"] == "yes" || unit_outcomes["drain_check"] == "blocked"
          @svg.path("M#{x + 60} #{y + 9} q15 -5 30 0 t30 0 t30 0", "line-water")
        end
        part("drain", x + width - 80, y - 4, 60, 30)
      end

      # The condensing side, large: coil at the left, fan, compressor.
      def large_warm(y = 18, high = (y == 18) ? 262 : 112)
        x, width = LARGE.values_at(:x, :width)
        @svg.rect(x, y, width, high, "plate-case", rx: 2)
        @svg.rect(x + 20, y + 14, 84, high - 28, "line-thin-box")
        6.times do |row|
          @svg.line(x + 20, y + 20 + row * (high - 40) / 5.0, x + 104, y + 20 + row * (high - 40) / 5.0, "line-tube")
        end
        if %w[dirty blocked].include?(unit_outcomes["condenser_face"])
          @svg.rect(x + 20, y + 14, 84, high - 28, "frost", fill: "url(#hatch)")
        end
        zone = 200.0 / [warm.size, 1].max
        warm.each_with_index do |position, index|
          fan(position, x + 140 + zone * (index + 0.5), y + high / 2.0, [zone * 0.4, high / 2.0 - 16].min)
        end
        @svg.circle(x + width - 62, y + high / 2.0, [high / 3.6, 42].min, "plate-case").text(
          x + width - 62,
          y + high - 8,
          "compressor",
          "axis-words",
          text_anchor: "middle"
        )
        part("condenser", x + 20, y + 14, 84, high - 28)
      end
    end
  end
end
