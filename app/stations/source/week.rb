# frozen_string_literal: true

module Stations
  module Source
    # The ways to get the part on one line of time: when each would be done, working
    # hours light, nights dark, and where the product passes its limit.
    class Week
      WIDTH = 720
      ROW = 34

      def initialize(options, question:, names:)
        @options = options.uniq { |one| [one.offer, one.finish_at] }.first(6)
        @question = question
        @names = names
        @now = Fenbo::Sourcing::Question.read_now(Fenbo::Input.new(question))
      end

      def svg
        @svg = Shared::Drawing::Svg.new(WIDTH, 30 + @options.size * ROW, label: label, css: "plate")
        nights
        limit
        @options.each_with_index { |option, index| row(option, index) }
        @svg.line(1, 18, 1, height, "line-now").text(4, 13, "now", "tiny")
        @svg.to_s
      end

      private

      def height = 30 + @options.size * ROW

      def label
        "Done: " + @options.map { |one| "#{@names.call(one.offer)} #{one.finish_at.tr("T", " ")}" }.join(", ")
      end

      def finish(option)
        Fenbo::Sourcing::Question.read_now(Fenbo::Input.new({"now" => option.finish_at}))
      end

      def span
        @span ||= [[(@options.map { |one| finish(one) }.max - @now) / 3600.0, 8].max * 1.25, 24 * 14].min
      end

      def x(hours) = (hours / span * WIDTH).clamp(0, WIDTH)

      def nights
        week = Fenbo::Sourcing::WorkHours.read(Fenbo::Input.new(@question["work_hours"]))
        (0...span.ceil * 2).each do |half|
          at = @now + half * 1800
          @svg.rect(x(half / 2.0), 18, WIDTH / span / 2.0 + 0.4, height - 18, "night") unless week.open?(at)
          if at.hour.zero? && at.min < 30
            @svg.line(x(half / 2.0), 18, x(half / 2.0), height, "line-thin").text(
              x(half / 2.0) + 4,
              13,
              at.strftime("%a"),
              "tiny"
            )
          end
        end
      end

      def limit
        hours = @question["hours_to_limit"] or return
        return if hours > span
        @svg.rect(x(hours), 18, WIDTH - x(hours), height - 18, "past-limit").line(
          x(hours),
          18,
          x(hours),
          height,
          "limit-line"
        )
      end

      def row(option, index)
        y = 30 + index * ROW
        hours = (finish(option) - @now) / 3600.0
        late = option.margin_hours&.negative?
        @svg.line(0, y + 12, x(hours), y + 12, "mini-tube").path(
          "M#{x(hours) - 9} #{y + 12} l9 -10 l9 10 l-9 10 Z",
          late ? "visit-late" : "part-here"
        )
        near_end = x(hours) > WIDTH - 190
        @svg.text(
          x(hours) + (near_end ? -16 : 16),
          y + 17,
          "#{@names.call(option.offer)} #{finish(option).strftime("%a %H:%M")}",
          late ? "visit-words visit-words-late" : "visit-words",
          text_anchor: near_end ? "end" : "start"
        )
      end
    end
  end
end
