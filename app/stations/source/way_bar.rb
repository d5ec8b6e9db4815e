# frozen_string_literal: true

module Stations
  module Source
    # One way to get the part, in time: what holds the product first, the part under way, and
    # the work, which a hand may drag to a later hour.
    class WayBar
      WIDTH = 380
      HEIGHT = 46
      MIDDLE = 23
      LEAST = 9

      # @param way [Ways::Way]
      def initialize(scale, way)
        @scale = scale
        @way = way
      end

      def svg
        @svg = Shared::Drawing::Svg.new(WIDTH, HEIGHT, label: @way.times, css: "plate",
          role: @way.movable? ? "group" : "img")
        @scale.nights.each { |from, to| @svg.rect(x(from), 0, x(to) - x(from), HEIGHT, "night") }
        @way.had? ? draw : @svg.path(cross, "ruled-cross").rect(1, 10, 62, 26, "ruled-box")
        @svg.line(1, 0, 1, HEIGHT, "line-now")
        @svg.to_s
      end

      private

      def x(hour) = @scale.x(hour, WIDTH)

      def cross = "M8 14 L56 32 M8 32 L56 14"

      def draw
        part
        if @way.stopgap_hours.positive?
          @svg.rect(0, MIDDLE - 11, [x(@way.stopgap_hours), LEAST].max, 22,
            "stopgap-block")
        end
        limit
        work
      end

      def part
        ready, start = @way.ready_hours, @way.start_hours
        @svg.line(0, MIDDLE, x(ready), MIDDLE, @way.ruled_out? ? "way-ruled" : "way-part") if ready.positive?
        @svg.line(x(ready), MIDDLE, x(start), MIDDLE, "way-wait") if x(start) - x(ready) > 2
      end

      def handle
        return {} unless @way.movable?
        {"data-slot" => @way.key, "tabindex" => "0", "role" => "button", "aria-label" => "#{@way.times}, move it"}
      end

      def limit
        hours = @way.limit_hours
        return unless hours && hours < @scale.span
        @svg.line(x(hours), 6, x(hours), HEIGHT - 6, "limit-line")
      end

      def work
        from = x(@way.start_hours)
        wide = [x(@way.finish_hours) - from, LEAST].max
        from = [from, WIDTH - wide].min
        @svg.group(class: "work-block", **handle) do
          @svg.rect(from, MIDDLE - 13, wide, 26, @way.css)
        end
      end
    end
  end
end
