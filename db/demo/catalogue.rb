# frozen_string_literal: true

require "yaml"
require_relative "blade_maker"
require_relative "motor_maker"
require_relative "spare_maker"
require_relative "usual_lines"

module Demo
  # The whole catalogue: the makers' usual lines, what the demo jobs need (picked by hand
  # in parts.yml), and as many made motors, blades and kits as make it a real one.
  class Catalogue
    MOTORS, BLADES, KITS = 1_500, 600, 120
    # The blades that motors of up to so many watts turn, mm.
    KIT_BLADES = {6 => [154, 172], 10 => [200, 230], 16 => [230, 254], 25 => [254, 300]}.freeze
    FILE = File.join(__dir__, "parts.yml")

    def load
      insert(Motor, motors)
      insert(Blade, blades)
      insert(Accessory, accessories)
      insert(Spare, SpareMaker.new.rows)
    end

    def motors
      usual.motors + usual.kits + picked + MotorMaker.new.rows.first(MOTORS) + kits
    end

    def blades = usual.blades + BladeMaker.new.rows.first(BLADES)

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

    def usual = @usual ||= UsualLines.new

    def picked
      parts["motors"].map do |row|
        row = row.transform_keys(&:to_sym)
        MotorRow.of(
          row.delete(:part_no),
          row.delete(:maker),
          row.delete(:family),
          row.delete(:output),
          volts: row.delete(:volts),
          **row
        )
      end
    end

    def kits
      random = Random.new(11)
      Array.new(KITS - 4) do |index|
        output = [4, 6, 8, 10, 12, 16, 20, 25][index % 8]
        blade = KIT_BLADES.find { |most, _| output <= most }.last[index / 8 % 2]
        MotorRow.of(
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
          **usual.kit
        )
      end
    end
  end
end
