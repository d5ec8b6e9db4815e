# frozen_string_literal: true

module Shared
  module Drawing
    # Motor, shaft, hub, blade, opening and guard cut along the shaft: to scale along it,
    # shortened across it. What is broken is the only red thing; the old blade stands as a
    # ghost; below lies the ruler with the stretch where the hub may sit.
    class ClearanceSection
      AXIS, REACH, HUB = 190, 128, 26
      RULER = 438
      LEFT = 40

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
        @body_mm = body_mm
        @width = wide ? 740 : 380
        @wide = wide
      end

      # Pixels a millimetre: what JavaScript needs to follow a thumb.
      def scale
        @scale ||= (@width - LEFT - (@wide ? 74 : 46)) / (span.end - span.begin)
      end

      def svg
        @svg = Svg.new(@width, 466, label:, css: "plate")
        frame
        fixed
        ghost if @question.old_seat_mm && (@question.old_seat_mm - @layout.seat).abs > 0.05
        @svg.group(data_fit: "blade") { moving }
        conditions.each { |one| trouble(one) unless one[:holds] }
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

      # From a stretch of the motor to what reaches farthest.
      def span
        @span ||= (-motor_mm..[@layout.guard, @question.shaft_mm, @layout.front, @layout.orifice].compact.max + 2)
      end

      # No more of the motor than a third of the sheet; the rest is broken off.
      def motor_mm
        [@body_mm || 60, 0.45 * [@layout.guard, @question.shaft_mm, @layout.front].compact.max].min
      end

      def x(mm) = LEFT + (mm - span.begin) * scale

      def frame
        @svg.line(x(span.begin) - 18, AXIS, x(span.end) + 22, AXIS, "line-axis")
      end

      def fixed
        motor
        carriers
        @svg.rect(x(0), AXIS - 12, @question.shaft_mm * scale, 24, "fit-shaft")
        @svg.rect(x(0), AXIS - 24, @question.boss_mm * scale, 48, "plate-hatch") if @question.boss_mm.positive?
        keyway if @question.key
        guard if @layout.guard
      end

      def motor
        @svg.rect(x(span.begin), AXIS - 84, motor_mm * scale, 168, "plate-case").rect(
          x(span.begin),
          AXIS - 84,
          motor_mm * scale,
          168,
          "plate-hatch-soft"
        )
        if @body_mm && @body_mm > motor_mm
          @svg.path("M#{Svg.p(x(span.begin), AXIS - 88)} l-7 22 l14 30 l-14 36 l14 36 l-14 30 l7 22", "fit-break")
        end
        @svg.text(x(-motor_mm / 2.0), AXIS - 58, "motor", "visit-words", text_anchor: "middle")
      end

      # From the motor's plate to opening and guard, with the spacers between.
      def carriers
        far = @layout.orifice || @layout.guard or return
        [-1, 1].each do |side|
          y = AXIS + side * (REACH + 22)
          @svg.path("M#{Svg.p(x(0), AXIS + side * 84)} V#{y} H#{x(far).round(1)}", "line-thin")
          @layout.spacers.times do |index|
            @svg.rect(x(2 + index * @question.spacer_mm), y - 7, @question.spacer_mm * scale, 14, "fit-spacer")
          end
          @svg.rect(x(far) - 6, y - 16, 12, 32, "plate-hatch") if @layout.orifice
        end
        @svg.text(x(far), AXIS - REACH - 46, "opening", "axis-words", text_anchor: "middle") if @layout.orifice
      end

      def keyway
        @svg.rect(
          x(@question.key.from_mm),
          AXIS - 12,
          (@question.key.to_mm - @question.key.from_mm) * scale,
          6,
          "fit-key"
        )
      end

      def guard
        @svg.line(x(@layout.guard), AXIS - REACH - 34, x(@layout.guard), AXIS + REACH + 34, "line-pipe")
        (-4..4).each { |step| @svg.circle(x(@layout.guard), AXIS + step * 36, 4, "terminal") }
        @svg.text(x(@layout.guard), AXIS - REACH - 46, "guard", "axis-words", text_anchor: "end")
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

      # The stretch that is missing, hatched where it is missing.
      def trouble(condition)
        missing = -condition[:margin]
        case condition[:id]
        when "guard"
          guard_trouble(condition, missing)
        when "motor"
          red(@layout.back, @layout.back + missing, AXIS - REACH, 44, "too near")
        when "engagement"
          red(@question.shaft_mm, @question.shaft_mm + missing, AXIS - 20, 40, "of shaft missing")
        when "orifice"
          orifice_trouble(condition, missing)
        when "key"
          red(
            @layout.seat + @question.key.screw_mm - missing / 2,
            @layout.seat + @question.key.screw_mm + missing / 2,
            AXIS - 34,
            16,
            "off the keyway"
          )
        end
      end

      # The blade's own front, or the end of the shaft that no seat can help.
      def guard_trouble(condition, missing)
        return red(@question.shaft_mm - missing, @question.shaft_mm, AXIS - 20, 40, "too long") unless condition[:high]
        red(@layout.front - missing, @layout.front, AXIS - REACH, 44, "too near")
      end

      # How far the opening would have to move for this seat.
      def orifice_trouble(condition, missing)
        far = condition[:high] && @layout.seat > condition[:high]
        if far
          red(@layout.orifice, @layout.orifice + missing, AXIS - REACH - 20, 14, "too far out")
        else
          red(@layout.orifice - missing, @layout.orifice, AXIS - REACH - 20, 14, "too deep")
        end
      end

      def red(from, to, y, height, words)
        @svg.rect(x(from), y, [(to - from) * scale, 3].max, height, "fit-trouble")
        text = "#{@words.call(to - from)} #{words}"
        @svg.text(
          x((from + to) / 2.0).clamp(text.size * 3.9 + 4, @width - text.size * 3.9 - 4),
          y - 8,
          text,
          "fit-trouble-words",
          text_anchor: "middle"
        )
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
        at = (x1 + x2) / 2.0
        at = at.clamp(text.size * 3.9 + 4, @width - text.size * 3.9 - 4)
        @svg.text(at, y - 9, text, "fit-words", text_anchor: "middle")
      end

      def ruler
        low, high = @range
        @svg.rect(x(low), RULER - 16, [(high - low) * scale, 3].max, 11, "fit-range") if low && high && low <= high
        ruler = Ruler.new(@svg, RULER, system: @system, scale:) { |mm| x(mm) }
        ruler.draw(span.end)
        @svg.text(x(span.begin), RULER + 18, "#{ruler.words} from the motor's face", "axis-words") if @wide
        @svg.group(data_fit: "pointer") do
          @svg.path("M#{Svg.p(x(@layout.seat), RULER - 18)} l-8 -13 h16 Z", "fit-pointer")
        end
      end
    end
  end
end
