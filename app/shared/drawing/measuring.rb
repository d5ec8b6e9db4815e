# frozen_string_literal: true

module Shared
  module Drawing
    # How one measurement is taken: the parts in outline, the two faces it lies between,
    # and the tool's jaws on them.
    class Measuring
      # Faces on a sheet of 150 by 84, from the motor's face at 40.
      SPANS = {
        "old_seat" => [40, 76],
        "guard" => [40, 138],
        "orifice" => [40, 92],
        "boss" => [40, 46],
        "hub" => [76, 104],
        "towards_motor" => [66, 76],
        "towards_front" => [76, 112],
        "spacer" => [130, 138],
        "spacers" => [130, 138],
        "key_from" => [40, 58],
        "key_to" => [40, 118],
        "screw" => [76, 90]
      }.freeze

      def initialize(name)
        @name = name
      end

      def svg
        @svg = Svg.new(150, 84, label: "from one mark to the other", css: "measuring")
        outline
        (@name == "ring") ? across : along
        @svg.to_s
      end

      private

      def along
        from, to = SPANS.fetch(@name)
        @svg
          .line(from, 70, to, 70, "fit-arrows")
          .line(from, 50, from, 78, "fit-arrows")
          .line(to, 50, to, 78, "fit-arrows")
      end

      # From one inner edge of the ring to the other.
      def across
        @svg
          .rect(88, 74, 8, 10, "plate-hatch")
          .line(92, 11, 92, 73, "fit-arrows")
          .line(84, 10, 100, 10, "fit-arrows")
          .line(84, 74, 100, 74, "fit-arrows")
      end

      def outline
        @svg.rect(8, 14, 32, 44, "plate-hatch").rect(40, 30, 84, 12, "fit-shaft").rect(40, 26, 6, 20, "line-thin-box")
        @svg.rect(58, 30, 60, 3, "fit-key") if @name.start_with?("key") || @name == "screw"
        @svg.path("M66 4 Q72 18 78 26 H102 Q108 18 112 4 Z", "fit-blade").rect(76, 24, 28, 24, "fit-hub")
        @svg.circle(90, 28, 2.5, "fill-ink") if @name == "screw"
        @svg.line(138, 2, 138, 64, "line-pipe").rect(88, 0, 8, 10, "plate-hatch")
        @svg.rect(130, 8, 8, 10, "fit-spacer") if @name.start_with?("spacer")
      end
    end
  end
end
