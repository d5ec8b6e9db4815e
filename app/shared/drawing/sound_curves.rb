# frozen_string_literal: true

module Shared
  module Drawing
    # A recording: its spectrum with the lines that matter, how its level swings, and a
    # strip of time against frequency. A second recording lies over the first as a dashed
    # line.
    class SoundCurves
      WIDTH = 620
      HEIGHT = 190
      STRIP_HEIGHT = 92

      # @param curves [Hash] of Sound::Curves, string keys; @param figures of the recording
      # @param beside [Hash, nil] the curves of another
      def initialize(curves:, figures:, hertz:, beside: nil)
        @curves = curves
        @figures = figures
        @hertz = hertz
        @beside = beside
      end

      def svg
        [
          spectrum,
          chart("envelope", "dB, how the high band swings", swings),
          strip
        ].join
      end

      # The spectrum alone, with the lines that matter.
      def spectrum = chart("spectrum", "dB, what is heard", marks)

      private

      def shaft = @figures["shaft_hz"]

      def pass = @figures["blade_pass_hz"]

      # [hertz, words] worth a line on the spectrum.
      def marks
        [[shaft, "shaft"], [pass, "blades"], [pass && pass * 2, "2×"], [2.0 * @hertz, "hum"]].reject do |hz, _|
          hz.nil? || hz > Fenbo::Sound::Curves::SPECTRUM_HZ
        end
      end

      def swings
        [[shaft, "once a turn"], [pass, "each blade"], [2.0 * @hertz, "hum"]].reject do |hz, _|
          hz.nil? || hz > Fenbo::Sound::Curves::ENVELOPE_HZ
        end
      end

      def chart(name, words, lines)
        curve = @curves[name]
        low, high = range(name)
        svg =
          Svg.new(
            WIDTH,
            HEIGHT,
            label: "#{words}: #{lines.map { |hz, said| "#{said} at #{hz.round} hertz" }.join(", ")}",
            css: "plate"
          )
        axes = Axes.new(svg, WIDTH, HEIGHT, across: 0..curve["top_hz"], up: low..high)
        axes.draw(across_words: "hertz", up_words: words)
        lines.each_with_index { |(hz, said), index| mark(svg, axes, hz, said, index) }
        svg.path(axes.path(points(@beside[name])), "curve-beside") if @beside
        svg.path(axes.path(points(curve)), "curve-fine")
        svg.to_s
      end

      def points(curve)
        curve["db"].each_with_index.map { |db, index| [(index + 0.5) * curve["top_hz"] / curve["db"].size, db] }
      end

      def range(name)
        values = [@curves[name], @beside && @beside[name]].compact.flat_map { |curve| curve["db"] }
        [values.min.floor(-1), values.max.ceil(-1) + 10]
      end

      def mark(svg, axes, hz, said, index)
        svg.line(axes.x(hz), 30 + index % 4 * 15, axes.x(hz), axes.base, "sound-mark")
        near_end = axes.x(hz) > WIDTH - 90
        svg.text(
          axes.x(hz) + (near_end ? -4 : 4),
          40 + index % 4 * 15,
          said,
          "sound-words",
          text_anchor: near_end ? "end" : "start"
        )
      end

      # Darker is louder: four tones of the ink.
      def strip
        strip = @curves["strip"]
        svg =
          Svg.new(
            WIDTH,
            STRIP_HEIGHT,
            label: "Time against frequency, #{strip["seconds"]} seconds up to #{strip["top_hz"]} hertz",
            css: "plate"
          )
        rows, columns = strip["db"].size, strip["db"].first.size
        wide, high = (WIDTH - Axes::LEFT - 10).fdiv(columns), 64.0 / rows
        loud = strip["db"].flatten.sort
        steps = [0.55, 0.75, 0.9, 0.97].map { |share| loud[(share * (loud.size - 1)).round] }
        strip["db"].each_with_index do |row, y|
          row_runs(row, steps).each do |from, upto, tone|
            svg.rect(
              Axes::LEFT + from * wide,
              6 + (rows - 1 - y) * high,
              (upto - from) * wide,
              high + 0.3,
              "tone-#{tone}"
            )
          end
        end
        svg
          .rect(Axes::LEFT, 6, columns * wide, 64, "plate-wall")
          .text(Axes::LEFT, 88, "0 s", "axis-figure")
          .text(WIDTH - 10, 88, "#{strip["seconds"].round} s", "axis-figure", text_anchor: "end")
        svg.text(
          Axes::LEFT - 6,
          18,
          "#{(strip["top_hz"] / 1000.0).round(1)}k",
          "axis-figure",
          text_anchor: "end"
        )
        svg.to_s
      end

      # Neighbours of one tone as one rectangle: [from, upto, tone], silence left out.
      def row_runs(row, steps)
        tones = row.map { |db| steps.count { |step| db >= step } }
        tones
          .each_with_index
          .slice_when { |(a, _), (b, _)| a != b }
          .filter_map { |run| [run.first.last, run.last.last + 1, run.first.first] unless run.first.first.zero? }
      end
    end
  end
end
