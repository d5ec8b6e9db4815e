# frozen_string_literal: true

module Stations
  module Source
    # The box from now on, as it is and with what would hold it, against the product's limit;
    # nights dark, and where each way under it is done.
    class ProductCurve
      WIDTH = 380
      HEIGHT = 168
      TOP, FLOOR = 22, 150
      STEPS = 48
      # Room under a word.
      WORD = 92

      # @param clock [Fenbo::Product::JobClock] known
      # @param stopgap [Fenbo::Product::Stopgaps::Stopgap, nil] whose curve is drawn beside
      # @param words [Shared::Figures] for figures in the reader's units
      def initialize(scale, clock:, stopgap:, words:)
        @scale = scale
        @clock = clock
        @stopgap = stopgap
        @words = words
      end

      def svg
        @svg = Shared::Drawing::Svg.new(WIDTH, HEIGHT, label:, css: "plate")
        nights
        past
        curves
        limit
        @svg.line(1, TOP, 1, FLOOR, "line-now").text(4, 14, "now", "tiny")
        @svg.to_s
      end

      private

      def show(celsius) = @words.show(celsius, "temperature")

      def label
        left = @clock.hours_left
        "The box from now: #{show(@clock.now_c.round(1))}, " \
          "#{left ? "over #{show(@clock.limit_c)} in #{left.round(1)} hours" : "never over its limit"}" \
          "#{"; with #{@stopgap.label.downcase}: #{held_words}" if @stopgap}"
      end

      def held_words
        @stopgap.hours_to_limit ? "#{@stopgap.hours_to_limit.round(1)} hours" : "it holds"
      end

      def hours = (0..STEPS).map { |step| @scale.hour_at(step.fdiv(STEPS)) }

      def as_is
        @as_is ||= hours.map { |hour| [hour, @clock.temperature_in(hour)] }
      end

      def held
        @held ||= @stopgap ? hours.map { |hour|
          [hour, @clock.temperature_with(hour, slower: @stopgap.slower, nearer: @stopgap.nearer)]
        } : []
      end

      def range
        @range ||= (as_is + held).map(&:last).push(@clock.limit_c).minmax.then do |low, high|
          room = [(high - low) * 0.14, 0.5].max
          [low - room, high + room]
        end
      end

      def x(hour) = @scale.x(hour, WIDTH)

      def y(celsius)
        FLOOR - (celsius - range.first) / (range.last - range.first) * (FLOOR - TOP)
      end

      def nights
        @scale.nights.each { |from, to| @svg.rect(x(from), TOP, x(to) - x(from), FLOOR - TOP, "night") }
        last = WORD / 2
        @scale.days.each do |hour, day|
          @svg.line(x(hour), TOP, x(hour), FLOOR, "line-thin")
          next unless x(hour) > last && x(hour) < WIDTH - 24
          @svg.text(x(hour) + 4, 14, day, "tiny")
          last = x(hour) + 36
        end
      end

      # After the limit is passed; the stretch in which it may be passed is dotted.
      def past
        left = @clock.hours_left or return
        @svg.rect(x(left), TOP, WIDTH - x(left), y(@clock.limit_c) - TOP, "past-limit") if left < @scale.span
        soon, late = @clock.hours_between
        return unless soon && soon < @scale.span
        @svg.rect(x(soon), y(@clock.limit_c) - 5, [x(late || @scale.span) - x(soon), 2].max, 10, "unsure")
      end

      def limit
        @svg.line(0, y(@clock.limit_c), WIDTH, y(@clock.limit_c), "limit-hard")
        words = "limit #{show(@clock.limit_c)}"
        # At the end where the curve is not yet, or no more, at the limit.
        return @svg.text(4, y(@clock.limit_c) - 6, words, "axis-words") if passes_late?
        @svg.text(WIDTH - 4, y(@clock.limit_c) + 16, words, "axis-words", text_anchor: "end")
      end

      def passes_late?
        left = @clock.hours_left
        !left.nil? && x(left) > WIDTH / 2
      end

      def curves
        @svg.path(path(as_is), "drift-bad")
        if @stopgap
          @svg.path(path(held), "drift-held")
          @svg.text(WIDTH - 4, held_words_at, "with it", "held-words", text_anchor: "end")
        end
        left = @clock.hours_left
        return unless left&.between?(0, @scale.span)
        @svg.circle(x(left), y(@clock.limit_c), 5, "limit-dot")
        near_end = x(left) > WIDTH - 120
        @svg.text(x(left) + (near_end ? -9 : 9), y(@clock.limit_c) - 8, "as it is: #{@words.hours_words(left)}",
          "limit-words", text_anchor: near_end ? "end" : "start")
      end

      # Over its curve, under it where that ends at the limit.
      def held_words_at
        ends = y(held.last.last)
        (ends - y(@clock.limit_c)).between?(-8, 26) ? ends + 18 : [ends - 7, TOP + 14].max
      end

      def path(points)
        "M" + points.map { |hour, celsius| "#{x(hour).round(1)} #{y(celsius).round(1)}" }.join(" L")
      end
    end
  end
end
