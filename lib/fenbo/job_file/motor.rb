# frozen_string_literal: true

module Fenbo
  module JobFile
    # A motor that sits, or sat, in a fan: its plate, its blade, and since when.
    # Lengths in mm, power in W, capacitance in µF; lists hold one figure a voltage.
    Motor = Shape.of(
      uid: String, part_no: Shape.maybe(String), family: String, volts: [Float], hertz: [Float],
      phases: Shape.maybe(Integer), amps: [Float], watts: Shape.maybe(Float), horsepower: Shape.maybe(Float),
      service_factor: Shape.maybe(Float), service_factor_amps: Shape.maybe(Float),
      locked_rotor_amps: Shape.maybe(Float), rpm: Shape.maybe(Float), poles: Shape.maybe(Integer),
      rotation: Shape.maybe(String), shaft_diameter_mm: Shape.maybe(Float), shaft_length_mm: Shape.maybe(Float),
      shaft_form: Shape.maybe(String), mount: Shape.maybe(String), bolt_circle_mm: Shape.maybe(Float),
      body_diameter_mm: Shape.maybe(Float), body_length_mm: Shape.maybe(Float), enclosure: Shape.maybe(String),
      control: Shape.maybe(String), connector: Shape.maybe(String), capacitor_uf: Shape.maybe(Float),
      integral_blade: Shape::FLAG, blade_diameter_mm: Shape.maybe(Float), blade_bore_mm: Shape.maybe(Float),
      blade_rotation: Shape.maybe(String), blade_count: Shape.maybe(Integer), blade_pitch_deg: Shape.maybe(Float),
      blade_hub: Shape.maybe(String), blade_air: Shape.maybe(String), plate_line: Shape.maybe(String),
      serial: Shape.maybe(String), source: Shape.maybe(String), installed_on: Shape.maybe(Date),
      removed_on: Shape.maybe(Date), warranty_until: Shape.maybe(Date)
    ) do
      include Nameplate

      def in_place? = removed_on.nil?

      # Years since it was fitted, on the day `today`; nil where nobody noted when.
      def age_years(today)
        installed_on && (today - installed_on).to_i / 365.25
      end
    end
  end
end
