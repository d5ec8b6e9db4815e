# frozen_string_literal: true

module Demo
  # A motor's row from its family, shaft output and supply: the output and the family give
  # the watts taken in, watts and supply the amps, the output body and price.
  module MotorRow
    PF = {"shaded_pole" => 0.60, "psc" => 0.90, "ec" => 0.60, "split_phase" => 0.62, "three_phase" => 0.80}.freeze
    EFFICIENCY = {
      "shaded_pole" => 0.20,
      "psc" => 0.55,
      "ec" => 0.70,
      "split_phase" => 0.60,
      "three_phase" => 0.78
    }.freeze
    BASE_CENTS = {
      "shaded_pole" => 3100,
      "psc" => 6400,
      "ec" => 5200,
      "split_phase" => 8200,
      "three_phase" => 9800
    }.freeze
    BLANK = {
      hertz: [50.0, 60.0],
      horsepower: nil,
      service_factor: nil,
      rpm: 1300.0,
      poles: 4,
      rotation: "cw",
      shaft_diameter_mm: 6.35,
      shaft_length_mm: 38.0,
      shaft_form: "round",
      mount: "ring",
      bolt_circle_mm: nil,
      enclosure: "enclosed",
      control: "none",
      connector: "leads",
      capacitor_uf: nil,
      integral_blade: false,
      ambient_low_c: -30.0,
      ambient_high_c: 45.0,
      flammable_ok: false,
      cross_reference: [],
      kit_contents: nil,
      discontinued: false,
      superseded_by: nil,
      kit_work: [],
      kit_leaves: [],
      kit_minutes: nil
    }.freeze

    # One motor's row from its family, shaft output and supply.
    def self.of(part_no, maker, family, output_w, volts:, **more)
      watts = watts(family, output_w)
      BLANK.merge(
        part_no:,
        maker:,
        family:,
        volts:,
        amps: amps(family, watts, volts, more.fetch(:phases, 1)),
        watts:,
        phases: 1,
        price_cents: price(family, output_w),
        **body(output_w),
        **more
      )
    end

    def self.watts(family, output_w) = (output_w / EFFICIENCY[family]).round(1)

    # For each of its voltages.
    def self.amps(family, watts, volts, phases)
      volts.map { |one| (watts / (one * PF[family] * ((phases == 3) ? Math.sqrt(3) : 1))).round(2) }
    end

    def self.price(family, output_w)
      ((BASE_CENTS[family] + 260 * output_w**0.86) / 50.0).round * 50
    end

    def self.body(output_w)
      {body_diameter_mm: (42 + 12 * Math.cbrt(output_w)).round, body_length_mm: (38 + 13 * Math.cbrt(output_w)).round}
    end
  end
end
