# frozen_string_literal: true

module Shared
  module Drawing
    # Refrigerant added (up) and recovered (down) by day, and the leak rate against the
    # warning.
    class LedgerBars
      WIDTH = 560
      HEIGHT = 230
      BASE = 120

      # @param warn [Float] percent a year from which a leak rate is over
      # @param system [String] whose units are shown
      def initialize(result:, asked:, warn:, system: "si")
        @system = system
        @result = result
        @moves = asked["moves"].sort_by { |move| move["on"] }
        @warn = warn
      end

      def svg
        @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        @moves.each_with_index { |move, index| bar(move, 16 + index * step) }
        @svg.line(8, BASE, WIDTH - 8, BASE, "line-pipe")
        rate if @result.last_addition
        @svg.to_s
      end

      private

      def words
        "Refrigerant: #{@moves.size} entries, #{mass(@result.added_kg)} added, #{mass(@result.recovered_kg)} " \
        "recovered, #{@result.verdict.tr("_", " ")}"
      end

      def step = [(WIDTH - 32) / [@moves.size, 1].max, 92].min

      def kg(move) = (move["before_kg"] - move["after_kg"]).abs

      def mass(kg) = Fenbo::Quantities.show(kg, "mass", @system)

      def most = @moves.map { |move| kg(move) }.max || 1

      def bar(move, x)
        added = move["kind"] == "added"
        high = kg(move) / most.to_f * 62
        @svg.rect(x, added ? BASE - high : BASE, step - 24, [high, 2].max, added ? "bar-added" : "bar-recovered")
        @svg.text(
          x + (step - 24) / 2.0,
          added ? BASE - high - 6 : BASE + high + 16,
          mass(kg(move)),
          "leg-figure",
          text_anchor: "middle"
        )
        if step > 70
          @svg.text(
            x + (step - 24) / 2.0,
            added ? BASE + 17 : BASE - 7,
            move["on"][2..],
            "axis-figure",
            text_anchor: "middle"
          )
        end
      end

      def rate
        percent = @result.last_addition.annual_rate_percent
        top = [@warn * 1.5, percent * 1.1].max
        x = ->(value) { 90 + value / top * (WIDTH - 190) }
        bad = @result.verdict == "over"
        @svg
          .text(8, 204, "a year", "axis-words")
          .rect(90, 188, WIDTH - 190, 22, "scale-track")
          .rect(90, 188, x[@warn] - 90, 22, "scale-window")
        @svg.line(x[percent], 182, x[percent], 216, bad ? "needle-bad" : "needle").text(
          WIDTH - 8,
          204,
          "#{Fenbo::Quantities.tidy(percent.round(1))} %",
          bad ? "leg-figure leg-figure-bad" : "leg-figure",
          text_anchor: "end"
        )
      end
    end
  end
end
