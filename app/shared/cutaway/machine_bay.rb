# frozen_string_literal: true

module Shared
  module Cutaway
    # The bay under a household unit from behind: condenser, fan and compressor behind the
    # rear panel, drain tube and capillary in the way.
    class MachineBay < Section
      private

      def cabinet
        super
        wall(28, 196, 186, 8)
        [60, 100, 140].each { |y| shelf(40, 204, y) }
        @svg.rect(36, 214, 44, 44, "line-thin-box")
        4.times { |row| @svg.line(36, 222 + row * 10, 80, 222 + row * 10, "line-tube") }
        small_fan(110, 236)
        compressor(170, 238)
        @svg.path("M140 200 V224 q0 8 8 8", "line-water").path("M186 214 q14 -20 0 -40", "line-tube")
        air([[30, 250], [96, 246], [148, 250], [206, 250]], warm)
        part("condenser", 32, 210, 52, 52)
        part("control", 40, 24, 60, 22)
        part("supply", 190, 206, 24, 56)
      end
    end
  end
end
