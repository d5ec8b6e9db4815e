# frozen_string_literal: true

require_relative "blade_maker"
require_relative "motor_maker"
require_relative "spare_maker"

module Demo
  # The whole catalogue: the makers' usual lines, what the demo jobs need (picked by hand
  # in parts.yml), and as many made motors, blades and kits as make it a real one.
  class Catalogue
    MOTORS, BLADES, KITS = 1_500, 600, 120
    FILE = File.join(__dir__, "parts.yml")

    def load
      insert(Motor, motors)
      insert(Blade, blades)
      insert(Accessory, accessories)
      insert(Spare, SpareMaker.new.rows)
    end

    def motors = usual + picked + MotorMaker.new.rows.first(MOTORS) + kits

    def blades = usual_blades + BladeMaker.new.rows.first(BLADES)

    def accessories
      parts["accessories"].map { |row| BLANK_ACCESSORY.merge(row.transform_keys(&:to_sym)) }
    end

    BLANK_ACCESSORY = {
      description: nil,
      from_mm: nil,
      to_mm: nil,
      mount_from: nil,
      mount_to: nil,
      bolt_circle_mm: nil,
      thickness_mm: nil,
      capacitor_uf: nil,
      price_cents: nil
    }.freeze

    private

    def parts = @parts ||= YAML.safe_load_file(FILE)

    def insert(model, rows)
      rows.each_slice(1000) do |some|
        model.insert_all!(some.map { |row| row.merge(created_at: Time.now, updated_at: Time.now) })
      end
    end

    def motor(...) = MotorMaker.motor(...)

    def usual
      shaded_pole + psc + ec + rack + three_phase + split_phase + plain_kits
    end

    def picked
      parts["motors"].map do |row|
        row = row.transform_keys(&:to_sym)
        motor(
          row.delete(:part_no),
          row.delete(:maker),
          row.delete(:family),
          row.delete(:output),
          volts: row.delete(:volts),
          **row
        )
      end
    end

    def shaded_pole
      [4, 6, 8, 10, 12, 16].flat_map do |output|
        [
          motor("BR-S#{output}-230-R", "Brennik", "shaded_pole", output, volts: [230.0], rotation: "reversible"),
          motor(
            "BR-S#{output}-230-L",
            "Brennik",
            "shaded_pole",
            output,
            volts: [230.0],
            rotation: "ccw",
            connector: "plug",
            ambient_low_c: -40.0,
            shaft_length_mm: 30.0
          ),
          motor(
            "OS-Y#{output}-115",
            "Oskelund",
            "shaded_pole",
            output,
            volts: [115.0],
            rpm: 1550.0,
            hertz: [60.0],
            rotation: "cw",
            mount: "yoke",
            shaft_form: "threaded",
            enclosure: "open_air_over"
          )
        ]
      end
    end

    def psc
      sizes = {60 => 2.5, 90 => 4.0, 125 => 5.0, 185 => 7.5, 250 => 10.0}
      sizes.flat_map do |output, capacitor|
        shared = {
          volts: [230.0],
          rotation: "reversible",
          capacitor_uf: capacitor,
          rpm: 900.0,
          poles: 6,
          shaft_diameter_mm: 12.7,
          enclosure: "enclosed",
          ambient_low_c: -25.0,
          ambient_high_c: 60.0
        }
        [
          motor("VE-P#{output}-BB", "Veltrin", "psc", output, mount: "belly_band", shaft_length_mm: 95.0, **shared),
          motor(
            "OS-P#{output}-ST",
            "Oskelund",
            "psc",
            output,
            mount: "stud",
            bolt_circle_mm: 110.0,
            shaft_length_mm: 72.0,
            **shared
          )
        ]
      end +
        [
          motor(
            "VE-P125-DV",
            "Veltrin",
            "psc",
            125,
            volts: [208.0, 230.0],
            mount: "belly_band",
            rotation: "reversible",
            capacitor_uf: 5.0,
            rpm: 1075.0,
            poles: 6,
            hertz: [60.0],
            shaft_diameter_mm: 12.7,
            ambient_high_c: 60.0
          ),
          motor(
            "MI-P90-OP",
            "Mirvane",
            "psc",
            90,
            volts: [230.0],
            mount: "belly_band",
            rotation: "reversible",
            capacitor_uf: 4.0,
            rpm: 900.0,
            poles: 6,
            shaft_diameter_mm: 12.7,
            enclosure: "open",
            ambient_high_c: 50.0
          )
        ]
    end

    def ec
      [6, 10, 16, 25, 38, 55].flat_map do |output|
        [
          motor(
            "KA-E#{output}-230",
            "Karsund",
            "ec",
            output,
            volts: [230.0],
            rotation: "cw",
            control: "program",
            connector: "leads",
            ambient_low_c: -40.0,
            flammable_ok: true,
            enclosure: "potted"
          ),
          motor(
            "MI-E#{output}-230-L",
            "Mirvane",
            "ec",
            output,
            volts: [230.0],
            rotation: "ccw",
            control: "program",
            connector: "plug",
            mount: "rail",
            ambient_low_c: -30.0,
            enclosure: "potted"
          )
        ]
      end
    end

    def rack
      [520, 780, 1100].map do |output|
        motor(
          "KA-V#{output}-400",
          "Karsund",
          "ec",
          output,
          volts: [400.0],
          phases: 3,
          rotation: "cw",
          control: "0_10v",
          connector: "terminals",
          mount: "venturi",
          integral_blade: true,
          rpm: 1010.0,
          poles: 6,
          shaft_diameter_mm: 19.0,
          ambient_high_c: 60.0,
          enclosure: "enclosed"
        )
      end
    end

    def three_phase
      {0.25 => 186, 0.5 => 373, 0.75 => 559, 1.0 => 746, 1.5 => 1119}.flat_map do |hp, output|
        shared = {
          phases: 3,
          horsepower: hp,
          service_factor: 1.15,
          rotation: "reversible",
          shaft_diameter_mm: 15.88,
          shaft_form: "keyed",
          mount: "stud",
          bolt_circle_mm: 145.0,
          connector: "terminals",
          ambient_low_c: -25.0,
          ambient_high_c: 60.0,
          poles: 6
        }
        [
          motor(
            "OS-T#{(hp * 100).to_i}-400",
            "Oskelund",
            "three_phase",
            output,
            volts: [400.0],
            hertz: [50.0],
            rpm: 920.0,
            shaft_length_mm: 80.0,
            **shared
          ),
          motor(
            "VE-T#{(hp * 100).to_i}-DV",
            "Veltrin",
            "three_phase",
            output,
            volts: [230.0, 460.0],
            hertz: [60.0],
            rpm: 1100.0,
            shaft_length_mm: 95.0,
            **shared
          )
        ]
      end
    end

    def split_phase
      [120, 180, 250].map do |output|
        motor(
          "MI-G#{output}",
          "Mirvane",
          "split_phase",
          output,
          volts: [230.0],
          horsepower: (output / 745.7).round(3),
          service_factor: 1.35,
          rpm: 1400.0,
          rotation: "reversible",
          mount: "base",
          shaft_diameter_mm: 14.0,
          shaft_length_mm: 60.0,
          enclosure: "open_air_over",
          hertz: [50.0]
        )
      end
    end

    KIT = {control: "program", mount: "kit_plate", ambient_low_c: -40.0, enclosure: "potted"}.freeze

    def plain_kits
      [[8, "KA-K8"], [12, "KA-K12"], [25, "KA-K25"]].map do |output, part_no|
        motor(
          part_no,
          "Karsund",
          "ec",
          output,
          volts: [230.0],
          rotation: "ccw",
          flammable_ok: true,
          kit_contents: "motor; plate to bend; blade; bushing; ties",
          **kit_words,
          **KIT
        )
      end
    end

    # What comes with each, what it asks of the fitter, and what stays behind.
    def kits
      random = Random.new(11)
      Array.new(KITS - 4) do |index|
        output = [4, 6, 8, 10, 12, 16, 20, 25][index % 8]
        blade = [154, 172, 200, 230, 254][random.rand(5)]
        motor(
          "#{%w[KA MI BR][index % 3]}-K#{output}-#{200 + index}",
          %w[Karsund Mirvane Brennik][index % 3],
          "ec",
          output,
          volts: [[230.0], [115.0], [115.0, 230.0]][random.rand(3)],
          rotation: %w[cw ccw][random.rand(2)],
          rpm: [1300.0, 1550.0][random.rand(2)],
          flammable_ok: random.rand < 0.5,
          kit_contents:
            "motor; #{(random.rand < 0.5) ? "plate to bend" : "shroud"}; blade #{blade} mm; 2 bushings; ties",
          cross_reference: ["OS-I#{output}-#{230 + random.rand(9)}"],
          **kit_words,
          **KIT
        )
      end
    end

    def kit_words
      {
        kit_work: ["bend the plate to the opening", "pop in the bushings", "tie the wire away from the blade"],
        kit_leaves: ["the old blade and its ring"],
        kit_minutes: 25
      }
    end

    def usual_blades
      [[154, 22], [172, 28], [200, 28], [230, 31], [254, 28], [300, 31], [356, 24], [406, 27]].each_with_index
        .flat_map do |(diameter, pitch), index|
        %w[cw ccw].flat_map do |rotation|
          side = (rotation == "cw") ? "R" : "L"
          [
            BladeMaker.blade(
              "BR-B#{diameter}-#{pitch}#{side}",
              "Brennik",
              diameter,
              pitch,
              rotation:,
              bore_mm: (index < 6) ? 6.35 : 12.7
            ),
            BladeMaker.blade(
              "OS-B#{diameter}-#{pitch}#{side}",
              "Oskelund",
              diameter,
              pitch - 3,
              rotation:,
              bore_mm: (index < 6) ? 6.35 : 15.88,
              hub: (index < 3) ? "push_on" : "set_screw",
              material: (index < 3) ? "plastic" : "steel"
            )
          ]
        end
      end
    end
  end
end
