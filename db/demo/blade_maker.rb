# frozen_string_literal: true

module Demo
  # Blades that could exist: deeper with diameter and pitch, a hub that suits the bore.
  class BladeMaker
    DIAMETERS = [100, 120, 154, 172, 200, 230, 254, 275, 300, 325, 356, 381, 406, 457, 508, 560, 610].freeze
    PITCHES = [18, 20, 22, 24, 27, 28, 31, 34].freeze
    MATERIALS = {
      "push_on" => "plastic",
      "set_screw" => "aluminium",
      "keyed" => "steel",
      "nut_on" => "aluminium",
      "hubless" => "aluminium"
    }.freeze

    def self.blade(part_no, maker, diameter, pitch, **more)
      depth = diameter * Math.sin(pitch * Math::PI / 180) * 0.27
      {
        part_no:,
        maker:,
        diameter_mm: diameter.to_f,
        blade_count: (diameter > 280) ? 4 : 5,
        pitch_deg: pitch.to_f,
        hub: "set_screw",
        bore_mm: bore(diameter),
        rotation: "cw",
        air: "away_from_motor",
        depth_mm: depth.round(1),
        hub_mm: (10 + diameter * 0.02).round(1),
        towards_motor_mm: (depth * 0.25).round(1),
        towards_front_mm: (depth * 0.75).round(1),
        material: "aluminium",
        price_cents: 900 + diameter * 9,
        **more
      }
    end

    # Small blades sit on thin shafts.
    def self.bore(diameter)
      return 4.76 if diameter < 150
      return 6.35 if diameter < 340
      (diameter < 480) ? 12.7 : 15.88
    end

    def initialize(seed: 7)
      @random = Random.new(seed)
      @taken = Hash.new(0)
    end

    # @return [Enumerator] of rows, endless
    def rows
      Enumerator.new { |out| loop { out << row } }
    end

    private

    def pick(list) = list[@random.rand(list.size)]

    def row
      maker, diameter, pitch = pick(MotorMaker::MAKERS.keys), pick(DIAMETERS), pick(PITCHES)
      hub = (diameter < 240) ? pick(%w[push_on set_screw]) : pick(%w[set_screw set_screw keyed nut_on hubless])
      stem = "#{MotorMaker::MAKERS[maker]}-B#{diameter}-#{pitch}"
      self.class.blade(
        "#{stem}-#{(@taken[stem] += 1) + 20}",
        maker,
        diameter,
        pitch,
        rotation: pick(%w[cw ccw]),
        air: pick(%w[away_from_motor away_from_motor towards_motor]),
        hub:,
        material: MATERIALS[hub],
        bore_mm: (hub == "keyed") ? 15.88 : self.class.bore(diameter)
      )
    end
  end
end
