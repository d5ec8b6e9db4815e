# frozen_string_literal: true

module Services
  # The nameplate of the motor in a position, as typed.
  class PlateForm
    attr_reader :faults

    def initialize(position, params, user)
      @position = position
      @params = params
      @typed = Typed.new(params, system: user.unit_system)
      @faults = @typed.faults
    end

    def save
      values = values()
      return false unless @typed.clean?
      motor = @position.motor_now || FittedMotor.new(fan_position: @position, installed_on: Date.today)
      motor.update!(values)
    end

    private

    def values
      {
        family: @typed.choice(:family, Fenbo::Electrical::FAMILIES, required: "Choose the motor's family."), part_no: @typed.text(:part_no, longest: 60),
        volts: list(:volts, "voltage"), amps: list(:amps, "current"), hertz: hertz, phases: @typed.whole(:phases, 1..3),
        watts: @typed.quantity(:watts, "power"), rpm: @typed.quantity(:rpm, "speed"), poles: @typed.whole(:poles, 2..24),
        rotation: @typed.choice(:rotation, Fenbo::Matching::Rotation::SENSES), shaft_diameter_mm: @typed.quantity(:shaft_diameter, "length"),
        mount: @typed.text(:mount, longest: 40), enclosure: @typed.choice(:enclosure, Fenbo::Matching::ENCLOSURES),
        connector: @typed.text(:connector, longest: 40), capacitor_uf: @typed.quantity(:capacitor, "capacitance"), blade_bore_mm: @typed.quantity(:blade_bore, "length")
      }
    end

    # "208/230 V" or "0.85/0.42 A": one figure for each voltage.
    def list(name, kind)
      parts = @params[name].to_s.split(%r{[/;]}).map(&:strip).reject(&:empty?)
      readings = parts.map { |part| Fenbo::Quantities.read(part, kind) }
      wrong = readings.find { |reading| !reading.ok? }
      return @typed.fault(name, wrong.fault) || [] if wrong
      return @typed.fault(name, "must be above nothing.") || [] if readings.any? { |reading| reading.value.zero? }
      readings.map(&:value)
    end

    def hertz = @params[:hertz].to_s.scan(/\d{2,3}/).map(&:to_f).select(&:positive?)
  end
end
