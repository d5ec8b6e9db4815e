# frozen_string_literal: true

module Stations
  module WorkPlan
    # The things a technician takes off, drawn plainly about their middle, 80 wide and 100
    # high at most. `tone` is "lit", "there" or "gone".
    class Shapes
      def initialize(svg)
        @svg = svg
      end

      # @param shape [String, nil] one of the plan's shapes
      def draw(shape, x, y, tone)
        @x, @y = x, y
        @body, @fine = "part-#{tone}", "part-fine-#{tone}"
        send(KNOWN.include?(shape) ? shape : "box")
      end

      KNOWN = %w[
        rack box cover tower guard blade washer bracket motor plug wires panel shroud pan plate filter pipe foot
        screw capacitor contactor switch heater gasket grommet lock coil
      ].freeze

      private

      def block(width, height, rx: 2)
        @svg.rect(@x - width / 2.0, @y - height / 2.0, width, height, @body, rx:)
      end

      def ring(radius) = @svg.circle(@x, @y, radius, @body)

      def fine(path) = @svg.path(path, @fine)

      # Screw heads in the corners of what is that wide and high.
      def heads(width, height)
        [-1, 1].product([-1, 1]) do |right, down|
          @svg.circle(@x + right * (width / 2.0 - 7), @y + down * (height / 2.0 - 7), 2.6, @fine)
        end
      end

      def rack
        block(66, 76)
        fine([-22, -4, 14].map { |dy| "M#{@x - 33} #{@y + dy} h66" }.join(" "))
        fine([-16, 0, 16].map { |dx| "M#{@x + dx} #{@y - 38} v76" }.join(" "))
      end

      def box
        block(56, 50)
        fine("M#{@x - 28} #{@y - 10} h56 M#{@x - 8} #{@y - 17} h16")
      end

      def cover
        block(58, 96, rx: 4)
        fine([-24, -14, 18, 28].map { |dy| "M#{@x - 18} #{@y + dy} h36" }.join(" "))
        heads(58, 96)
      end

      def tower
        @svg.path("M#{@x - 14} #{@y - 46} h28 l10 92 h-48 Z", @body)
        fine("M#{@x - 10} #{@y - 30} h20 M#{@x - 10} #{@y - 22} h20")
      end

      def guard
        [42, 29, 16].each { |radius| ring(radius) }
        fine((0..5).map { |turn|
          inner, outer = [16, 42].map { |radius| Shared::Drawing::Svg.polar(@x, @y, radius, turn * 60 + 15) }
          "M#{Shared::Drawing::Svg.p(*inner)} L#{Shared::Drawing::Svg.p(*outer)}"
        }.join(" "))
      end

      # Broad at the tip, narrow at the root.
      def blade
        4.times do |turn|
          @svg.path(vane([[7, -10], [26, -34], [41, -12], [42, 26], [24, 42], [7, 34]], turn * 90), @body)
        end
        @svg.circle(@x, @y, 8, @body)
        @svg.circle(@x, @y, 2.6, @fine)
      end

      def vane(points, at)
        root, lead, tip, back, trail, foot = points.map { |radius, angle|
          Shared::Drawing::Svg.p(*Shared::Drawing::Svg.polar(@x, @y, radius, angle + at))
        }
        "M#{root} Q#{lead} #{tip} A42 42 0 0 1 #{back} Q#{trail} #{foot} Z"
      end

      def washer
        ring(17)
        @svg.circle(@x, @y, 7, @fine)
      end

      def grommet
        ring(24)
        @svg.circle(@x, @y, 15, @fine).circle(@x, @y, 7, @fine)
      end

      def bracket
        @svg.path("M#{@x - 32} #{@y - 34} h12 v52 h40 v-52 h12 v66 h-64 Z", @body)
        @svg.circle(@x - 26, @y - 27, 2.6, @fine).circle(@x + 26, @y - 27, 2.6, @fine)
      end

      def motor
        @svg.rect(@x - 40, @y - 4, 16, 8, @body).rect(@x - 26, @y - 30, 52, 60, @body, rx: 6)
        fine([-14, 0, 14].map { |dx| "M#{@x + dx} #{@y - 24} v48" }.join(" "))
        fine("M#{@x + 26} #{@y + 16} q14 2 12 18")
      end

      def plug
        @svg.rect(@x - 36, @y - 14, 28, 28, @body, rx: 3).rect(@x + 8, @y - 14, 28, 28, @body, rx: 3)
        fine("M#{@x - 8} #{@y - 6} h9 M#{@x - 8} #{@y + 6} h9 M#{@x - 50} #{@y} h14 M#{@x + 36} #{@y} h14")
      end

      def wires
        [-14, 0, 14].each { |dy| @svg.path("M#{@x - 38} #{@y + dy} q19 -16 38 0 t38 0", "#{@fine} part-wire") }
        [-14, 0, 14].each { |dy| @svg.circle(@x + 38, @y + dy, 3.4, @body) }
      end

      def panel
        block(74, 66)
        heads(74, 66)
      end

      def shroud
        block(84, 84)
        @svg.circle(@x, @y, 34, @fine).circle(@x, @y, 7, @body)
        heads(84, 84)
      end

      def plate
        block(74, 84)
        @svg.circle(@x, @y, 26, @fine).circle(@x, @y, 6, @body)
        heads(74, 84)
      end

      def pan = @svg.path("M#{@x - 42} #{@y - 8} h84 l-10 18 h-64 Z", @body)

      def filter
        block(70, 70)
        fine((-3..3).map { |step| "M#{@x + step * 10 - 4} #{@y - 35} l8 70" }.join(" "))
      end

      def pipe
        @svg.path("M#{@x - 8} #{@y - 44} v40 q0 22 22 22 h18 v-14 h-18 q-8 0 -8 -8 v-40 Z", @body)
      end

      def foot
        block(40, 26)
        @svg.circle(@x - 12, @y + 22, 9, @body).circle(@x + 12, @y + 22, 9, @body)
      end

      def screw
        @svg.path("M#{@x - 13} #{@y - 26} h26 v10 h-26 Z M#{@x - 6} #{@y - 16} h12 v34 l-6 10 l-6 -10 Z", @body)
        fine([-8, 0, 8].map { |dy| "M#{@x - 6} #{@y + dy} l12 4" }.join(" "))
      end

      def capacitor
        @svg.rect(@x - 20, @y - 26, 40, 62, @body, rx: 6)
        fine("M#{@x - 9} #{@y - 26} v-12 M#{@x + 9} #{@y - 26} v-12 M#{@x - 20} #{@y - 12} h40")
      end

      def contactor
        block(60, 66)
        fine([-18, 0, 18].map { |dx| "M#{@x + dx} #{@y - 26} v14 M#{@x + dx} #{@y + 12} v14" }.join(" "))
        @svg.rect(@x - 22, @y - 8, 44, 16, @fine)
      end

      def switch
        block(34, 50)
        @svg.rect(@x - 7, @y - 37, 14, 12, @body)
        fine("M#{@x - 8} #{@y + 25} v12 M#{@x + 8} #{@y + 25} v12")
      end

      def heater
        @svg.path("M#{@x - 44} #{@y} h10 #{(0..4).map { |turn|
          "l8 #{turn.even? ? -26 : 26} l8 #{turn.even? ? 26 : -26}"
        }
          .join(" ")} h10", "#{@fine} part-wire")
      end

      def gasket
        @svg.rect(@x - 30, @y - 44, 60, 88, @body, rx: 5).rect(@x - 21, @y - 35, 42, 70, @fine, rx: 4)
      end

      def lock
        fine("M#{@x - 13} #{@y - 6} v-14 a13 13 0 0 1 26 0 v14")
        @svg.rect(@x - 22, @y - 6, 44, 36, @body, rx: 3).circle(@x, @y + 10, 4, @fine)
      end

      def coil
        block(78, 84)
        fine((-3..3).map { |step| "M#{@x + step * 11} #{@y - 42} v84" }.join(" "))
        [-22, 0, 22].each { |dy| @svg.line(@x - 46, @y + dy, @x + 46, @y + dy, "line-tube") }
      end
    end
  end
end
