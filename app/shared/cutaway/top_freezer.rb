# frozen_string_literal: true

module Shared
  module Cutaway
    # Freezer above, fresh food below; evaporator and fan behind the freezer's back, a
    # damper in the divider.
    class TopFreezer < Section
      private

      def cabinet
        super
        wall(28, 104, 186, 12)
        small_coil(186, 40, 18, 52)
        small_fan(190, 34)
        @svg.rect(120, 104, 22, 12, "fill-sheet").line(120, 116, 140, 106, "line-pipe")
        [150, 186, 222].each { |y| shelf(40, 204, y) }
        compressor(190, 252)
        air([[178, 34], [60, 34], [60, 88], [132, 98], [132, 138]])
        @svg.path("M192 92 V236", "line-water") if unit_outcomes["drain_check"] == "flows"
        part("damper", 112, 98, 40, 26)
        part("door", 18, 120, 12, 150)
        part("control", 40, 122, 60, 22)
      end
    end
  end
end
