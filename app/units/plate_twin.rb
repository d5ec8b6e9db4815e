# frozen_string_literal: true

module Units
  # The plate of a twin fan in the same bank, as it would be typed: the reference where
  # the fan's own plate is gone. Nothing is kept until it is looked at and sent.
  module PlateTwin
    PLAIN = {
      "family" => :family,
      "part_no" => :part_no,
      "phases" => :phases,
      "poles" => :poles,
      "rotation" => :rotation,
      "mount" => :mount,
      "enclosure" => :enclosure,
      "connector" => :connector,
      "control" => :control,
      "shaft_form" => :shaft_form,
      "blade_count" => :blade_count,
      "blade_hub" => :blade_hub,
      "blade_air" => :blade_air,
      "blade_rotation" => :blade_rotation,
      "plate_line" => :plate_line
    }.freeze
    FIGURES = {
      "watts" => :watts,
      "rpm" => :rpm,
      "horsepower" => :horsepower,
      "service_factor" => :service_factor,
      "capacitor" => :capacitor_uf,
      "blade_pitch" => :blade_pitch_deg
    }.freeze
    LISTS = {"volts" => :volts, "amps" => :amps, "hertz" => :hertz}.freeze
    LENGTHS = {
      "shaft_diameter" => :shaft_diameter_mm,
      "shaft_length" => :shaft_length_mm,
      "bolt_circle" => :bolt_circle_mm,
      "body_diameter" => :body_diameter_mm,
      "body_length" => :body_length_mm,
      "blade_diameter" => :blade_diameter_mm,
      "blade_bore" => :blade_bore_mm
    }.freeze

    def self.fields(position, user)
      motor = position.motor_now or return {}
      tidy = ->(value) { Fenbo::Quantities.tidy(value) }
      read = ->(map, &shown) { map.transform_values { |column| motor[column].nil? ? nil : shown.call(motor[column]) } }
      [
        read.call(PLAIN, &:to_s),
        read.call(FIGURES) { |value| tidy[value] },
        read.call(LISTS) { |values| values.map(&tidy).join("/") },
        read.call(LENGTHS) { |value| Fenbo::Quantities.typed(value, "length", user.unit_system) }
      ].reduce(:merge)
        .merge("rotation_view" => motor.rotation && "shaft_end", "integral_blade" => (motor.integral_blade ? "1" : nil))
        .compact
    end
  end
end
