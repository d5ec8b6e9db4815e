# frozen_string_literal: true

module Catalogue
  # What is known of a part, label by label, as its page shows it.
  module PartSheet
    # @return [Array<Array(String, String)>] what is not known is left out
    def part_rows(motor)
      [*plate_rows(motor), *body_rows(motor)].reject { |_, value| value.to_s.empty? }
    end

    private

    def plate_rows(motor)
      [
        ["Volts", figures(motor.volts)], ["Hertz", figures(motor.hertz)], ["Phases", motor.phases],
        ["Amps", figures(motor.amps)], ["Watts in", known(motor.watts) { |watts| show(watts, "power") }],
        ["Horsepower", known(motor.horsepower) { |power| Fenbo::Quantities.tidy(power) }],
        ["At the shaft", known(motor.output_w) { |watts| show(watts.round(1), "power") }],
        ["Speed", known(motor.rpm) { |rpm| "#{rpm.to_i} rpm" }], ["Poles", motor.poles],
        ["Control", spelled(motor.control)], ["Connector", motor.connector],
        ["Capacitor", known(motor.capacitor_uf) { |farads| "#{Fenbo::Quantities.tidy(farads)} µF" }]
      ]
    end

    def body_rows(motor)
      [
        ["Shaft", lengths(motor.shaft_diameter_mm, motor.shaft_length_mm)],
        ["Shaft's form", spelled(motor.shaft_form)], ["Mount", spelled(motor.mount)],
        ["Bolt circle", lengths(motor.bolt_circle_mm)],
        ["Body", lengths(motor.body_diameter_mm, motor.body_length_mm)], ["Enclosure", spelled(motor.enclosure)],
        ["Air", known(motor.ambient_low_c) { |low| "#{degrees(low)} to #{degrees(motor.ambient_high_c)}" }],
        ["Flammable refrigerants", motor.flammable_ok ? "suitable" : "not marked"]
      ]
    end

    def known(value)
      yield value unless value.nil?
    end

    def figures(values)
      values.map { |value| Fenbo::Quantities.tidy(value) }.join("/")
    end

    def lengths(*values)
      values.compact.map { |mm| show(mm, "length") }.join(" × ")
    end

    def degrees(celsius) = show(celsius, "temperature")

    def spelled(word) = word&.tr("_", " ")
  end
end
