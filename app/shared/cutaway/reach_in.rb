# frozen_string_literal: true

module Shared
  module Cutaway
    # A reach-in: small coil and fan under the top with the guard almost touching the
    # blade, the machine below.
    class ReachIn < Section
      private

      def cabinet
        super
        wall(28, 212, 186, 8)
        small_coil(110, 26, 90, 26)
        small_fan(92, 40)
        @svg.line(80, 26, 80, 54, "line-guard").line(84, 26, 84, 54, "line-guard")
        [98, 138, 178].each { |y| shelf(40, 204, y) }
        @svg.rect(36, 226, 36, 36, "line-thin-box")
        3.times { |row| @svg.line(36, 234 + row * 10, 72, 234 + row * 10, "line-tube") }
        small_fan(98, 244, here: cold.empty?)
        compressor(160, 244)
        air([[196, 60], [196, 40], [104, 40], [44, 40], [44, 190]])
        part("condenser", 32, 222, 44, 44)
        part("door", 18, 60, 12, 150)
        part("control", 130, 222, 70, 44)
      end
    end
  end
end
