# frozen_string_literal: true

module Shared
  module Cutaway
    # One axial fan seen from the air side: orifice ring, swept blades, hub, and what
    # is known of its motion.
    class Fan
      BLADES = 5

      # @param outcomes [Hash] test => outcome, what was found on this fan
      def initialize(svg, cx, cy, radius, outcomes:, in_hand:, phase: 0)
        @svg = svg
        @cx = cx
        @cy = cy
        @r = radius
        @outcomes = outcomes
        @in_hand = in_hand
        @phase = phase
      end

      def draw
        @svg.circle(@cx, @cy, @r, "plate-ring")
        @svg.circle(@cx, @cy, @r - 4, "line-thin")
        blades
        @svg.circle(@cx, @cy, @r * 0.16, "fill-ink").circle(@cx, @cy, @r * 0.05, "fill-sheet")
        ice if %w[fan_ring_ice].include?(@outcomes["frost_pattern"]) || @outcomes["blade_state"] == "iced"
        motion
        signs
        @svg.circle(@cx, @cy, @r + 8, "ring-hand") if @in_hand
      end

      private

      def motion
        case @outcomes["fan_motion"]
        when "normal"
          arrows(1, "arrow-run")
        when "slow", "intermittent"
          arrows(1, "arrow-slow")
        when "reversed"
          arrows(-1, "arrow-bad")
        end
      end

      # What was heard, felt and found, where it is.
      def signs
        noise if %w[rumbling rattling squealing grinding ticking scraping hum_not_turning].include?(@outcomes["noise"])
        heat if %w[hot very_hot].include?(@outcomes["motor_heat"])
        play if @outcomes["shaft_play"] == "rocks"
        burnt if @outcomes["connector_look"] == "burnt" || @outcomes["terminal_temperature"] == "one_hot"
      end

      # Arcs beside the hub: one for a hum, two for what is louder.
      def noise
        arcs = (@outcomes["noise"] == "hum_not_turning") ? 1 : 2
        arcs.times { |index| @svg.path(Drawing::Svg.arc(@cx, @cy, @r * (0.26 + index * 0.1), -35, 35), "sign-noise") }
      end

      def heat
        3.times do |index|
          x = @cx + (index - 1) * @r * 0.16
          @svg.path("M#{x.round(1)} #{(@cy - @r * 0.22).round(1)} q4 -5 0 -10 q-4 -5 0 -10", "sign-bad")
        end
      end

      def play
        y = @cy + @r * 0.3
        @svg.path("M#{(@cx - 13).round(1)} #{y.round(1)} h26 m-5 -4 l5 4 l-5 4 m-16 -8 l-5 4 l5 4", "sign-bad")
      end

      def burnt
        x, y = @cx + @r * 0.62, @cy + @r * 0.62
        @svg.path("M#{x.round(1)} #{(y - 12).round(1)} l10 18 h-20 Z", "sign-burnt")
      end

      def still? = %w[stopped twitching].include?(@outcomes["fan_motion"])

      def blades
        BLADES.times do |index|
          @svg.path(blade(@phase + index * 360.0 / BLADES), still? ? "blade blade-still" : "blade")
        end
      end

      # Leading edge swept forward, trailing edge nearly straight: broad at the tip,
      # narrow at the root, so that it reads as a blade and not as a slice.
      def blade(at)
        root, tip = @r * 0.15, @r - 9
        a = Drawing::Svg.polar(@cx, @cy, root, at)
        b = Drawing::Svg.polar(@cx, @cy, @r * 0.52, at - 22)
        c = Drawing::Svg.polar(@cx, @cy, tip, at - 6)
        d = Drawing::Svg.polar(@cx, @cy, tip, at + 40)
        e = Drawing::Svg.polar(@cx, @cy, @r * 0.5, at + 46)
        f = Drawing::Svg.polar(@cx, @cy, root, at + 52)
        "M#{Drawing::Svg.p(*a)} Q#{Drawing::Svg.p(*b)} #{Drawing::Svg.p(*c)} A#{tip.round(2)} " \
          "#{tip.round(2)} 0 0 1 #{Drawing::Svg.p(*d)} " \
          "Q#{Drawing::Svg.p(*e)} #{Drawing::Svg.p(*f)} Z"
      end

      def arrows(sense, css)
        [200, 20].each do |from|
          to = from + 62 * sense
          @svg.path(Drawing::Svg.arc(@cx, @cy, @r + 5, from, to), css)
          head(to, sense, css)
        end
      end

      def head(at, sense, css)
        tip = Drawing::Svg.polar(@cx, @cy, @r + 5, at + 7 * sense)
        inner = Drawing::Svg.polar(@cx, @cy, @r - 1, at - 3 * sense)
        outer = Drawing::Svg.polar(@cx, @cy, @r + 11, at - 3 * sense)
        @svg.path("M#{Drawing::Svg.p(*tip)} L#{Drawing::Svg.p(*inner)} L#{Drawing::Svg.p(*outer)} Z", "#{css}-head")
      end

      # Beads of ice round the ring; drawn where ring ice was found, nowhere else.
      def ice
        26.times do |index|
          x, y = Drawing::Svg.polar(@cx, @cy, @r - 1 + (index * 7 % 3), index * 360.0 / 26)
          @svg.circle(x, y, 3 + index * 5 % 4, "ice-bead")
        end
      end
    end
  end
end
