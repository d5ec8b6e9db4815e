# frozen_string_literal: true

module Shared
  module Cutaway
    # Fresh food above, freezer drawer below; evaporator and fan behind the drawer, air
    # led up through a damper.
    class BottomFreezer < Section
      private

      def cabinet
        super
        wall(28, 166, 186, 12)
        small_coil(186, 188, 18, 46)
        small_fan(190, 184)
        @svg.rect(34, 190, 130, 70, "line-thin-box")
        @svg.rect(196, 160, 14, 22, "fill-sheet").line(196, 178, 208, 164, "line-pipe")
        [56, 96, 132].each { |y| shelf(40, 204, y) }
        compressor(192, 256)
        air([[178, 184], [120, 184], [120, 240]])
        air([[203, 176], [203, 60], [120, 60]])
        part("damper", 190, 154, 26, 32)
        part("door", 18, 20, 12, 140)
        part("control", 40, 24, 60, 22)
      end
    end
  end
end
