# frozen_string_literal: true

module Stations
  module WorkPlan
    # One step drawn: what comes off or goes on, lit, with an arrow for its motion, between
    # what was before it (nearer to the room) and what is behind it (nearer to the coil).
    class Scene
      WIDTH = 360
      HEIGHT = 176
      # Where the parts stand along the axis: two before, the lit one, two behind.
      PLACES = [44, 100, 178, 256, 316].freeze
      LIT = 2

      # @param plan [Fenbo::WorkPlan::Progress]
      def initialize(plan, step)
        @plan = plan
        @step = step
      end

      def svg
        @svg = Shared::Drawing::Svg.new(WIDTH, HEIGHT, label: words, css: "scene")
        ground
        neighbours.each { |step, place| shape(step.shape, place, tone(step)) }
        shape(@step.shape, LIT, "lit") if @step.shape
        arrow if @step.motion
        @svg.to_s
      end

      private

      def words
        [@step.removes && "#{@step.removes.capitalize} lit", @step.motion && "moves #{@step.motion.tr("_", " ")}",
          @step.text].compact.join(": ")
      end

      def middle = HEIGHT / 2.0 - 4

      # The room at the left, the coil or wall at the right.
      def ground
        @svg.rect(0, 0, WIDTH, HEIGHT, "scene-ground", rx: 3)
        @svg.rect(WIDTH - 14, 6, 10, HEIGHT - 12, "plate-hatch-soft")
        @svg.line(8, middle, WIDTH - 16, middle, "line-axis")
      end

      def shape(name, place, tone)
        @shapes ||= Shapes.new(@svg)
        @shapes.draw(name, PLACES[place], middle, tone)
      end

      # What comes off, in the order it comes off.
      def row
        @row ||= @plan.steps.select { |step| step.phase == "apart" && step.removes && step.shape }
      end

      # The step whose part this one is about.
      def own = (@step.phase == "back") ? @plan.step(@step.reverses) : @step

      def neighbours
        at = row.index(own)
        return [] unless at
        [[at - 2, 0], [at - 1, 1], [at + 1, 3], [at + 2, 4]].filter_map do |index, place|
          [row[index], place] if index >= 0 && row[index]
        end
      end

      # Off already, or still in its place.
      def tone(step)
        off = @plan.done(step) && @plan.steps.none? { |back| back.reverses == step.id && @plan.done(back) }
        off ? "gone" : "there"
      end

      TURNS = {"turn" => [-150, 110], "turn_right" => [-150, 110], "turn_left" => [-30, -290], "tilt" => [-60, -140],
               "tilt_back" => [-140, -60]}.freeze
      # From the part's edge to where it goes: x and y of both ends.
      WAYS = {"out" => [-34, -40, -84, -66], "in" => [-84, -66, -34, -40], "up" => [0, -30, 0, -78],
              "down" => [0, 30, 0, 78], "left" => [-46, 0, -92, 0], "right" => [46, 0, 92, 0]}.freeze

      def arrow
        WAYS.key?(@step.motion) ? straight(*WAYS[@step.motion]) : turning(*TURNS.fetch(@step.motion))
      end

      def straight(x1, y1, x2, y2)
        x, y = PLACES[LIT], middle
        @svg.line(x + x1, y + y1, x + x2, y + y2, "scene-arrow")
        head(x + x2, y + y2, Math.atan2(y2 - y1, x2 - x1) * 180 / Math::PI)
      end

      def turning(from, to)
        x, y = PLACES[LIT], middle
        @svg.path(Shared::Drawing::Svg.arc(x, y, 58, from, to), "scene-arrow")
        head(*Shared::Drawing::Svg.polar(x, y, 58, to), to + ((to > from) ? 90 : -90))
      end

      def head(x, y, degrees)
        @svg.path("M9 0 L-8 -8 L-8 8 Z", "scene-head",
          transform: "translate(#{x.round(1)} #{y.round(1)}) rotate(#{degrees.round})")
      end
    end
  end
end
