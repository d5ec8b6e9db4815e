# frozen_string_literal: true

module Shared
  module Drawing
    # Motor, shaft, hub, blade, opening and guard cut along the shaft: to scale along it,
    # shortened across it. What is broken is the only red thing; the old blade stands as a
    # ghost; below lies the ruler with the stretch where the hub may sit.
    class ClearanceSection
      AXIS, REACH, HUB = 190, 128, 26
      RULER = 438

      # @param layout [Fenbo::Clearance::Layout]
      # @param range [Array(Float, Float), nil] where the hub may sit with these spacers
      # @param words [#call] a length in mm as the reader wants it
      # @param system ["si", "us"] in whose units the ruler is
      # @param wide [Boolean] for the desk; else for a phone
      def initialize(layout:, range:, words:, system: "si", body_mm: nil, wide: true)
        @layout = layout
        @question = layout.question
        @range = range
        @words = words
        @system = system
        @sheet = ClearanceScale.new(layout, body_mm:, wide:)
        @wide = wide
      end

      # Pixels a millimetre: what JavaScript needs to follow a thumb.
      def scale = @sheet.pixels

      def svg
        @svg = Svg.new(@sheet.width, 466, label:, css: "plate")
        axis
        ClearanceFrame.new(@svg, @layout, @sheet).draw
        ghost if @question.old_seat_mm && (@question.old_seat_mm - @layout.seat).abs > 0.05
        @svg.group(data_fit: "blade") { moving }
        broken = ClearanceTrouble.new(@svg, @layout, @sheet, words: @words)
        conditions.each { |one| broken.draw(one) unless one[:holds] }
        dimensions
        ruler
        @svg.to_s
      end

      private

      def label
        "Cross-section: hub at " \
        "#{@words.call(@layout.seat)}#{", #{@layout.spacers} spacers" if @layout.spacers.positive?}, " \
        "#{@layout.holds? ? "everything clears" : "it does not clear"}"
      end

      def conditions = @layout.to_h[:conditions]

      def x(mm) = @sheet.x(mm)

      def axis
        @svg.line(x(@sheet.span.begin) - 18, AXIS, x(@sheet.span.end) + 22, AXIS, "line-axis")
      end

      def ghost
        blade(@question.old_seat_mm, "fit-ghost", "fit-ghost").text(
          x(@question.old_seat_mm - @question.towards_motor_mm) - 4,
          AXIS + REACH + 16,
          "old blade",
          "fit-ghost-words",
          text_anchor: "end"
        )
      end

      def moving
        blade(@layout.seat, "fit-blade", "fit-hub")
        middle = x(@layout.seat + @question.hub_mm / 2.0)
        @svg.path(
          "M#{Svg.p(middle - 14, AXIS)} h28 M#{Svg.p(middle - 8, AXIS - 6)} l-6 6 l6 6 " \
          "M#{Svg.p(middle + 8, AXIS - 6)} l6 6 l-6 6",
          "fit-arrows"
        )
        @svg.circle(x(@layout.seat + @question.key.screw_mm), AXIS - 19, 4, "fill-ink") if @question.key
        @svg.rect(x(@layout.back) - 8, AXIS - REACH - 6, @question.blade_depth_mm * scale + 16, 2 * REACH + 12, "hit")
      end

      # A twisted blade seen on edge: thin at the root, full at the tip.
      def blade(seat, css, hub_css)
        back, front, hub = x(seat - @question.towards_motor_mm), x(seat + @question.towards_front_mm), x(seat)
        root, root_end = hub + 3, x(seat + @question.hub_mm) - 3
        [-1, 1].each do |side|
          tip, base = AXIS + side * REACH, AXIS + side * HUB
          @svg.path(
            "M#{Svg.p(root, base)} C#{Svg.p(back, base + side * 30)} #{Svg.p(back - 1, tip - side * 44)} " \
            "#{Svg.p(back + 4, tip)} L#{Svg.p(front, tip)} C#{Svg.p(front, tip - side * 46)} " \
            "#{Svg.p(front - 4, base + side * 34)} #{Svg.p([root_end, front].min, base)} Z",
            css
          )
        end
        @svg.rect(hub, AXIS - HUB, @question.hub_mm * scale, 2 * HUB, hub_css)
      end

      def dimensions
        below = AXIS + REACH + 52
        between(@question.boss_mm, @layout.back, below, "to motor")
        between([@layout.front, @question.shaft_mm].max, @layout.guard, below, "to guard") if @layout.guard
        if @layout.exposed.positive?
          between(@layout.seat + @question.hub_mm, @question.shaft_mm, below + 34, "shaft beyond")
        end
      end

      # The words stand beside the arrows where there is no room between them.
      def between(from, to, y, words)
        x1, x2 = x(from), x(to)
        @svg
          .line(x1, y, x2, y, "line-thin")
          .line(x1, y - 7, x1, y + 7, "line-thin")
          .line(x2, y - 7, x2, y + 7, "line-thin")
        text = "#{@words.call(to - from)} #{words}"
        @svg.text(@sheet.within((x1 + x2) / 2.0, text), y - 9, text, "fit-words", text_anchor: "middle")
      end

      def ruler
        low, high = @range
        @svg.rect(x(low), RULER - 16, [(high - low) * scale, 3].max, 11, "fit-range") if low && high && low <= high
        ruler = Ruler.new(@svg, RULER, system: @system, scale:) { |mm| x(mm) }
        ruler.draw(@sheet.span.end)
        @svg.text(x(@sheet.span.begin), RULER + 18, "#{ruler.words} from the motor's face", "axis-words") if @wide
        @svg.group(data_fit: "pointer") do
          @svg.path("M#{Svg.p(x(@layout.seat), RULER - 18)} l-8 -13 h16 Z", "fit-pointer")
        end
      end
    end
  end
end
