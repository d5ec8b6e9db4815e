# frozen_string_literal: true

module Shared
  module Cutaway
    # A display case from its end: glass front, deck pans, the fan in its sheet-metal
    # plenum on the cold side, the condenser with its pre-filter on the dry side.
    class DisplayCabinet < Section
      private

      def cabinet
        c = CABINET
        @svg.path("M#{c[:x] + 40} 20 H#{c[:x] + c[:width]} V278 H#{c[:x]} V120 Z", "plate-case").line(
          c[:x] + 42,
          26,
          c[:x] + 4,
          120,
          "line-pipe"
        )
        @svg.rect(c[:x] - 6, 278, c[:width] + 12, 6, "fill-ink")
        shelf(84, 214, 70)
        shelf(64, 214, 108)
        @svg.line(30, 146, 214, 146, "line-pipe")
        wall(18, 196, 206, 8)
        small_coil(126, 158, 80, 30)
        small_fan(84, 172)
        @svg.rect(70, 152, 28, 40, "line-thin")
        @svg.rect(28, 214, 10, 52, "plate-hatch").rect(42, 214, 34, 52, "line-thin-box")
        4.times { |row| @svg.line(42, 222 + row * 12, 76, 222 + row * 12, "line-tube") }
        small_fan(104, 240, here: cold.empty?)
        compressor(164, 240)
        air([[40, 158], [74, 172], [126, 172], [212, 172], [212, 60], [120, 40]])
        part("condenser", 26, 210, 54, 60)
        part("door", 22, 30, 36, 84)
        part("control", 130, 210, 80, 60)
      end
    end
  end
end
