# frozen_string_literal: true

module Drawings
  # Any other unit, as a plain section: the cold part with its evaporator fans
  # above, the machine part with its condenser fans below.
  class Cabinet < Plate
    private

    def height = 300

    def draw
      @svg.rect(60, 8, 600, 262, "plate-case", rx: 4)
      @svg.rect(60, 8, 600, 262, "plate-wall", rx: 4)
      row(cold, 24, 150, "cold") if cold.any?
      row(warm, 178, 82, "warm") if warm.any?
      @svg.line(60, 170, 660, 170, "line-medium") if cold.any? && warm.any?
      @svg.rect(48, 270, 624, 8, "fill-ink")
    end

    def cold = positions.select { |position| position.side == "evaporator" }

    def warm = positions.select { |position| position.side == "condenser" }

    def row(fans, y, high, kind)
      high = 224 if cold.empty? || warm.empty?
      y = 24 if cold.empty?
      coil(y, high, kind)
      zone = 560.0 / fans.size
      fans.each_with_index { |position, index| fan(position, 80 + zone * (index + 0.5), y + high / 2.0, [zone * 0.34, high / 2.0 - 14].min) }
    end

    def coil(y, high, kind)
      27.times { |index| @svg.line(90 + index * 20.8, y + 6, 90 + index * 20.8, y + high - 6, "line-fin") }
      [0.25, 0.5, 0.75].each { |share| @svg.line(80, y + high * share, 640, y + high * share, "line-tube") }
      frost(y, high) if kind == "cold"
    end

    def frost(y, high)
      pattern = cold.filter_map { |position| outcomes(position)["frost_pattern"] }.last
      level = {"even_light" => 1, "even_blocked" => 4, "behind_one_fan" => 3, "fan_ring_ice" => 2, "feed_end_only" => 2, "near_door" => 2}[pattern]
      @svg.rect(80, y + 6, (pattern == "feed_end_only") ? 200 : 560, high - 12, "frost", fill: "url(##{Textures::FROST[level - 1]})") if level
      @svg.rect(80, y + high - 40, 560, 34, "frost", fill: "url(#frost-4)") if pattern == "bottom_ice"
    end
  end
end
