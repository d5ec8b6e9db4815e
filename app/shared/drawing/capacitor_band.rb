# frozen_string_literal: true

module Shared
  module Drawing
    # What a capacitor holds against the band its print allows, and the stretch where it
    # counts as open.
    class CapacitorBand
      WIDTH = 440
      HEIGHT = 150

      # @param open_uf [Float] what counts as open ends here
      def initialize(result:, open_uf:)
        @open = open_uf
        @low = result&.low_uf
        @high = result&.high_uf
        @measured = result&.measured_uf
        @verdict = result&.verdict
      end

      def svg
        @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        can
        scale if @high
        @svg.to_s
      end

      private

      def words
        return "Capacitor, nothing measured yet" unless @measured
        "Capacitor: #{Fenbo::Quantities.tidy(@measured.round(2))} µF, allowed " \
        "#{Fenbo::Quantities.tidy(@low.round(2))} to #{Fenbo::Quantities.tidy(@high.round(2))}: #{@verdict}"
      end

      # Two plates and their leads, as on a wiring diagram.
      def can
        @svg
          .line(6, 62, 30, 62, "line-medium")
          .line(30, 40, 30, 84, "line-pipe")
          .line(40, 40, 40, 84, "line-pipe")
          .line(40, 62, 64, 62, "line-medium")
      end

      def top = [@high * 1.25, (@measured || 0) * 1.1].max

      def x(uf) = 84 + uf / top * (WIDTH - 100)

      def scale
        @svg.rect(84, 48, WIDTH - 100, 28, "scale-track").rect(x(@low), 48, x(@high) - x(@low), 28, "scale-window")
        @svg.rect(84, 48, x(@open) - 84, 28, "past-limit")
        [@low, @high].each_with_index do |uf, index|
          @svg.line(x(uf), 44, x(uf), 84, "line-tick").text(
            x(uf),
            102,
            Fenbo::Quantities.tidy(uf.round(2)),
            "axis-figure",
            text_anchor: index.zero? ? "end" : "start"
          )
        end
        @svg.text(84, 102, "open", "axis-words")
        needle if @measured
      end

      def needle
        bad = @verdict != "within"
        @svg.line(x(@measured), 36, x(@measured), 90, bad ? "needle-bad" : "needle")
        near_end = x(@measured) > WIDTH - 90
        @svg.text(
          x(@measured),
          26,
          "#{Fenbo::Quantities.tidy(@measured.round(2))} µF",
          bad ? "leg-figure leg-figure-bad" : "leg-figure",
          text_anchor: near_end ? "end" : "middle"
        )
      end
    end
  end
end
