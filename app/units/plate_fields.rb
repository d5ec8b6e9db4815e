# frozen_string_literal: true

module Units
  # What stands in each field of the plate's page: what was typed once something was, else
  # what the motor's plate says, as its reader writes it.
  class PlateFields
    # Fields whose column of the motor has another name.
    COLUMNS = {"capacitor" => :capacitor_uf, "blade_pitch" => :blade_pitch_deg}.freeze
    LENGTHS = %w[shaft_diameter shaft_length bolt_circle body_diameter body_length blade_diameter blade_bore].freeze
    WORDS = %w[connector mount].freeze

    # A bare figure is horsepower.
    # @param value [Float] hp
    def self.horsepower(value)
      Shared::ShaftPower.shown(value).join(" ").delete_suffix(" hp")
    end

    # @param motor [FittedMotor, nil]
    # @param typed [Hash] the form's fields; empty where nothing was typed yet
    # @param length [#call] a length in mm as it is written in a field
    def initialize(motor, typed, length:)
      @motor = motor
      @typed = typed
      @length = length
    end

    def [](name) = @typed.empty? ? stored(name) : @typed[name]

    def integral_blade?
      self["integral_blade"].then { |flag| flag == true || flag == "1" }
    end

    # From which end the rotation is seen; the motor's own is kept from the shaft's.
    def view
      end_seen = @typed.empty? ? (@motor&.rotation && "shaft_end") : @typed["rotation_view"]
      Fenbo::Matching::Rotation::VIEWS.find { |one| one == end_seen }
    end

    # The sense from the shaft's end; nil where it is not known yet.
    def sense
      turning = Fenbo::Matching::Rotation::SENSES.find { |one| one == self["rotation"] }
      Fenbo::Matching::Rotation.canonical(turning, view)
    end

    private

    def stored(name)
      value = @motor&.public_send(column(name))
      return value if value.nil?
      return @length.call(value) if LENGTHS.include?(name)
      return PlateFields.horsepower(value) if name == "horsepower"
      return value.tr("_", " ") if WORDS.include?(name)
      figures(value)
    end

    def column(name)
      COLUMNS[name] || (LENGTHS.include?(name) ? :"#{name}_mm" : name)
    end

    def figures(value)
      return value.map { |one| Fenbo::Quantities.tidy(one) }.join("/") if value.is_a?(Array)
      value.is_a?(Float) ? Fenbo::Quantities.tidy(value) : value
    end
  end
end
