# frozen_string_literal: true

module Shared
  module Drawing
    # Steps of a control, each a bar of what was taken there; the one that does not follow marked.
    class Steps
      WIDTH = 560
      HEIGHT = 200
      BASE = 150
      REACH = 104

      def initialize(result:, asked:)
        @result = result
        @steps = asked["steps"].sort_by { |step| step["at"] }
        @volts = asked["kind"] == "volts"
        @full = asked["plate_watts"] || asked["fans"]
      end

      def svg
        @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        full_line if @full
        @steps.each_with_index { |step, index| bar(step, 60 + index * column) }
        @svg.line(20, BASE, WIDTH - 20, BASE, "line-pipe")
        @svg.to_s
      end

      private

      def value(step) = step[@volts ? "watts" : "running"]

      def unit = @volts ? "W" : "on"

      def top
        @top ||= [*@steps.map { |step| value(step) }, @full, 1].compact.max
      end

      def column = (WIDTH - 100) / [@steps.size, 1].max

      def high(amount) = amount / top.to_f * REACH

      def words
        told = @steps.map { |step| "#{Fenbo::Quantities.tidy(value(step))} #{unit} at #{name(step)}" }
        "Driven through its steps: #{told.join(", ")}; #{@result.verdict.tr("_", " ")}"
      end

      def name(step)
        @volts ? "#{Fenbo::Quantities.tidy(step["at"])} V" : "stage #{Fenbo::Quantities.tidy(step["at"])}"
      end

      def full_line
        y = BASE - high(@full)
        @svg.line(20, y, WIDTH - 20, y, "limit-soft")
          .text(WIDTH - 20, y - 6, @volts ? "plate" : "all fans", "axis-words", text_anchor: "end")
      end

      def bar(step, x)
        wrong = @result.stands_at == step["at"]
        width = [column - 30, 90].min
        tall = [high(value(step)), 2].max
        @svg.rect(x, BASE - tall, width, tall, wrong ? "bar-recovered" : "bar-added")
          .text(x + width / 2.0, BASE - tall - 6, "#{Fenbo::Quantities.tidy(value(step))} #{unit}",
            wrong ? "leg-figure leg-figure-bad" : "leg-figure", text_anchor: "middle")
          .text(x + width / 2.0, BASE + 20, name(step), "axis-figure", text_anchor: "middle")
      end
    end
  end
end
