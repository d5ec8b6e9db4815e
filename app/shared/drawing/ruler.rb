# frozen_string_literal: true

module Shared
  module Drawing
    # A ruler along a drawing that is to scale: millimetres, or inches as a tape has them.
    class Ruler
      # mm: one step; between its fine marks; longer, longest: every so many steps; named: the
      # figure under a longest mark.
      Graduation = Fenbo::Value.of(:mm, :longer, :longest, :words, :named)
      GRADUATIONS = {
        "si" => Graduation.new(mm: 1.0, longer: 5, longest: 10, words: "mm", named: ->(step) { step.to_s }),
        "us" => Graduation.new(mm: 25.4 / 16, longer: 2, longest: 8, words: "in",
          named: ->(step) { Fenbo::Quantities.tidy(step / 16.0) })
      }.freeze
      # Fine marks stand no closer than this, px.
      CLOSE = 3
      private_constant :Graduation, :GRADUATIONS

      # @param system ["si", "us"]
      # @param scale [Float] px a millimetre
      # @yield [mm] the place of a length, px
      def initialize(svg, y, system:, scale:, &place)
        @svg = svg
        @y = y
        @graduation = GRADUATIONS.fetch(system)
        @scale = scale
        @place = place
      end

      def words = @graduation.words

      # @param length [Float] mm
      def draw(length)
        @svg.line(x(0), @y, @place.call(length.floor), @y, "line-medium")
        (0..(length / @graduation.mm).floor).each { |step| mark(step) }
      end

      private

      def x(step) = @place.call(step * @graduation.mm)

      def mark(step)
        long, longest = (step % @graduation.longer).zero?, (step % @graduation.longest).zero?
        return unless long || @scale * @graduation.mm > CLOSE
        reach = if longest
          12
        else
          (long ? 8 : 5)
        end
        @svg.line(x(step), @y, x(step), @y - reach, "line-thin")
        @svg.text(x(step), @y + 18, @graduation.named.call(step), "axis-figure", text_anchor: "middle") if longest
      end
    end
  end
end
