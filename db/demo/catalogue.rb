# frozen_string_literal: true

module Demo
  # Made-up motors and blades whose figures agree with one another: output and
  # family give watts, watts and supply give amps, power gives shaft and body.
  class Catalogue
    PF = {"shaded_pole" => 0.60, "psc" => 0.90, "ec" => 0.60, "split_phase" => 0.62, "three_phase" => 0.80}.freeze
    EFFICIENCY = {"shaded_pole" => 0.20, "psc" => 0.55, "ec" => 0.70, "split_phase" => 0.60, "three_phase" => 0.78}.freeze

    def load
      Motor.insert_all!(motors)
      Blade.insert_all!(blades)
    end

    def motors = (shaded_pole + psc + ec + rack + three_phase + split_phase + kits).map { |row| row.merge(created_at: Time.now, updated_at: Time.now) }

    # One motor's row from its family, shaft output and supply.
    def motor(part_no, maker, family, output_w, volts:, **more)
      watts = (output_w / EFFICIENCY[family]).round(1)
      phases = more.fetch(:phases, 1)
      amps = volts.map { |one| (watts / (one * PF[family] * ((phases == 3) ? Math.sqrt(3) : 1))).round(2) }
      BLANK.merge(part_no:, maker:, family:, volts:, amps:, watts:, phases:, price_cents: price(family, output_w),
        body_diameter_mm: (42 + 12 * Math.cbrt(output_w)).round, body_length_mm: (38 + 13 * Math.cbrt(output_w)).round, **more)
    end

    BLANK = {
      hertz: [50.0, 60.0], horsepower: nil, service_factor: nil, rpm: 1300.0, poles: 4, rotation: "cw", shaft_diameter_mm: 6.35, shaft_length_mm: 38.0,
      shaft_form: "round", mount: "ring", bolt_circle_mm: nil, enclosure: "enclosed", control: "none", connector: "leads", capacitor_uf: nil,
      integral_blade: false, ambient_low_c: -30.0, ambient_high_c: 45.0, flammable_ok: false, cross_reference: [], kit_contents: nil
    }.freeze

    private

    def price(family, output_w)
      base = {"shaded_pole" => 3100, "psc" => 6400, "ec" => 5200, "split_phase" => 8200, "three_phase" => 9800}[family]
      ((base + 260 * output_w**0.86) / 50.0).round * 50
    end

    def shaded_pole
      [4, 6, 8, 10, 12, 16].flat_map do |output|
        [
          motor("BR-S#{output}-230-R", "Brennik", "shaded_pole", output, volts: [230.0], rotation: "reversible"),
          motor("BR-S#{output}-230-L", "Brennik", "shaded_pole", output, volts: [230.0], rotation: "ccw", connector: "plug", ambient_low_c: -40.0, shaft_length_mm: 30.0),
          motor("OS-Y#{output}-115", "Oskelund", "shaded_pole", output, volts: [115.0], rpm: 1550.0, hertz: [60.0], rotation: "cw", mount: "yoke", shaft_form: "threaded", enclosure: "open_air_over")
        ]
      end
    end

    def psc
      sizes = {60 => 2.5, 90 => 4.0, 125 => 5.0, 185 => 7.5, 250 => 10.0}
      sizes.flat_map do |output, capacitor|
        shared = {volts: [230.0], rotation: "reversible", capacitor_uf: capacitor, rpm: 900.0, poles: 6, shaft_diameter_mm: 12.7, enclosure: "enclosed", ambient_low_c: -25.0, ambient_high_c: 60.0}
        [motor("VE-P#{output}-BB", "Veltrin", "psc", output, mount: "belly_band", shaft_length_mm: 95.0, **shared),
          motor("OS-P#{output}-ST", "Oskelund", "psc", output, mount: "stud", bolt_circle_mm: 110.0, shaft_length_mm: 72.0, **shared)]
      end + [motor("VE-P125-DV", "Veltrin", "psc", 125, volts: [208.0, 230.0], mount: "belly_band", rotation: "reversible", capacitor_uf: 5.0, rpm: 1075.0, poles: 6, hertz: [60.0], shaft_diameter_mm: 12.7, ambient_high_c: 60.0),
        motor("MI-P90-OP", "Mirvane", "psc", 90, volts: [230.0], mount: "belly_band", rotation: "reversible", capacitor_uf: 4.0, rpm: 900.0, poles: 6, shaft_diameter_mm: 12.7, enclosure: "open", ambient_high_c: 50.0)]
    end

    def ec
      [6, 10, 16, 25, 38, 55].flat_map do |output|
        [motor("KA-E#{output}-230", "Karsund", "ec", output, volts: [230.0], rotation: "cw", control: "program", connector: "leads", ambient_low_c: -40.0, flammable_ok: true, enclosure: "potted"),
          motor("MI-E#{output}-230-L", "Mirvane", "ec", output, volts: [230.0], rotation: "ccw", control: "program", connector: "plug", mount: "rail", ambient_low_c: -30.0, enclosure: "potted")]
      end
    end

    def rack
      [520, 780, 1100].map do |output|
        motor("KA-V#{output}-400", "Karsund", "ec", output, volts: [400.0], phases: 3, rotation: "cw", control: "0_10v", connector: "terminals", mount: "venturi", integral_blade: true, rpm: 1010.0, poles: 6, shaft_diameter_mm: 19.0, ambient_high_c: 60.0, enclosure: "enclosed")
      end
    end

    def three_phase
      {0.25 => 186, 0.5 => 373, 0.75 => 559, 1.0 => 746, 1.5 => 1119}.flat_map do |hp, output|
        shared = {phases: 3, horsepower: hp, service_factor: 1.15, rotation: "reversible", shaft_diameter_mm: 15.88, shaft_form: "keyed", mount: "stud", bolt_circle_mm: 145.0, connector: "terminals", ambient_low_c: -25.0, ambient_high_c: 60.0, poles: 6}
        [motor("OS-T#{(hp * 100).to_i}-400", "Oskelund", "three_phase", output, volts: [400.0], hertz: [50.0], rpm: 920.0, shaft_length_mm: 80.0, **shared),
          motor("VE-T#{(hp * 100).to_i}-DV", "Veltrin", "three_phase", output, volts: [230.0, 460.0], hertz: [60.0], rpm: 1100.0, shaft_length_mm: 95.0, **shared)]
      end
    end

    def split_phase
      [120, 180, 250].map do |output|
        motor("MI-G#{output}", "Mirvane", "split_phase", output, volts: [230.0], horsepower: (output / 745.7).round(3), service_factor: 1.35, rpm: 1400.0, rotation: "reversible", mount: "base", shaft_diameter_mm: 14.0, shaft_length_mm: 60.0, enclosure: "open_air_over")
      end
    end

    def kits
      [[8, "KA-K8"], [12, "KA-K12"], [25, "KA-K25"]].map do |output, part_no|
        motor(part_no, "Karsund", "ec", output, volts: [230.0], rotation: "ccw", control: "program", mount: "kit_plate", ambient_low_c: -40.0, flammable_ok: true, enclosure: "potted", kit_contents: "motor, plate to bend, blade, bushing, ties")
      end
    end

    def blades
      rows = []
      [[154, 22], [172, 28], [200, 28], [230, 31], [254, 28], [300, 31], [356, 24], [406, 27]].each_with_index do |(diameter, pitch), index|
        %w[cw ccw].each do |rotation|
          rows << blade("BR-B#{diameter}-#{pitch}#{(rotation == "cw") ? "R" : "L"}", "Brennik", diameter, pitch, rotation, (index < 6) ? 6.35 : 12.7, "set_screw", "aluminium")
          rows << blade("OS-B#{diameter}-#{pitch}#{(rotation == "cw") ? "R" : "L"}", "Oskelund", diameter, pitch - 3, rotation, (index < 6) ? 6.35 : 15.88, (index < 3) ? "push_on" : "set_screw", (index < 3) ? "plastic" : "steel")
        end
      end
      rows
    end

    def blade(part_no, maker, diameter, pitch, rotation, bore, hub, material)
      {part_no:, maker:, diameter_mm: diameter.to_f, blade_count: (diameter > 280) ? 4 : 5, pitch_deg: pitch.to_f, hub:, bore_mm: bore, rotation:, air: "away_from_motor",
       depth_mm: (diameter * 0.13).round(1), material:, price_cents: 900 + diameter * 9, created_at: Time.now, updated_at: Time.now}
    end
  end
end
