# frozen_string_literal: true

module Shared
  module Cutaway
    # Freezer at the left, fresh food at the right; evaporator and fan behind the freezer's
    # lower back, ice bin and maker in front.
    class SideBySide < Section
      private

      def cabinet
        super
        wall(108, 20, 10, 248)
        small_coil(44, 176, 50, 60)
        small_fan(69, 164)
        @svg.rect(36, 34, 64, 34, "line-thin-box").text(68, 56, "ice", "axis-words", text_anchor: "middle")
        @svg.rect(36, 74, 64, 30, "line-thin-box")
        @svg.rect(106, 60, 14, 24, "fill-sheet").line(107, 82, 119, 62, "line-pipe")
        [96, 140, 184, 226].each { |y| shelf(126, 204, y) }
        compressor(180, 256)
        air([[69, 148], [69, 118], [113, 72], [160, 72], [160, 120]])
        part("damper", 100, 54, 26, 36)
        part("door", 18, 110, 12, 150)
        part("control", 130, 26, 60, 22)
      end
    end
  end
end
