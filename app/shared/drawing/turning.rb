# frozen_string_literal: true

module Shared
  module Drawing
    # Which way a motor turns, from both ends at once: the shaft end on the left, the lead
    # end on the right, an eye over the one it was read from.
    class Turning
      ENDS = {"shaft_end" => 80, "lead_end" => 240}.freeze
      NAMES = {"shaft_end" => "shaft end", "lead_end" => "lead end"}.freeze
      MIDDLE, RADIUS = 70, 34

      # @param sense [String, nil] cw, ccw or reversible from the shaft end
      # @param view [String, nil] the end it was read from
      def initialize(sense, view: nil)
        @sense = sense
        @view = view
      end

      def svg
        @svg = Svg.new(320, 136, label: Fenbo::Matching::Rotation.words(@sense), css: "plate")
        ENDS.each { |id, x| seen(id, x) }
        @svg.line(160, 20, 160, 104, "line-axis")
        @svg.to_s
      end

      private

      def seen(id, x)
        @svg.circle(x, MIDDLE, RADIUS, "plate-ring")
        if id == "shaft_end"
          @svg.circle(x, MIDDLE, 7, "fill-ink")
        else
          @svg.path("M#{x - 8} #{MIDDLE} v10 M#{x} #{MIDDLE} v14 M#{x + 8} #{MIDDLE} v10", "coil")
        end
        turns_at(id).each { |sense| arrow(x, sense) }
        if id == @view
          @svg.path("M#{x - 13} 14 Q#{x} 2 #{x + 13} 14 Q#{x} 26 #{x - 13} 14 Z", "line-medium").circle(
            x,
            14,
            4,
            "fill-ink"
          )
        end
        @svg.text(x, 130, NAMES[id], "turn-words", text_anchor: "middle")
      end

      def turns_at(id)
        return [] if @sense.nil?
        return %w[cw ccw] if @sense == "reversible"
        [(id == "shaft_end") ? @sense : Fenbo::Matching::Rotation::OPPOSITE.fetch(@sense)]
      end

      # An arc over the top for one sense, so that two stand side by side.
      def arrow(x, sense)
        from, to = (sense == "cw") ? [-150, -40] : [-30, -140]
        radius = (@sense == "reversible" && sense == "ccw") ? 14 : 22
        @svg.path(Svg.arc(x, MIDDLE, radius, from, to), "arrow-run")
        tip_x, tip_y = Svg.polar(x, MIDDLE, radius, to)
        turn = to + ((sense == "cw") ? 90 : -90)
        @svg.path(
          "M6 0 L-5 -6 L-5 6 Z",
          "arrow-run-head",
          transform: "translate(#{tip_x.round(1)} #{tip_y.round(1)}) rotate(#{turn})"
        )
      end
    end
  end
end
