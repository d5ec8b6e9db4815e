# frozen_string_literal: true

module Units
  # The nameplate of the motor in a position: one free line, or field by field; what the
  # line says fills the fields that are empty, what is typed in a field wins.
  class PlateForm < Shared::Form
    include PlateWriting

    # Fields of the form by the core's names, with the kind of what is in them.
    FIELDS = {
      "part_no" => :part_no,
      "volts" => :volts,
      "amps" => :amps,
      "hertz" => :hertz,
      "watts" => :watts,
      "rpm" => :rpm,
      "poles" => :poles,
      "phases" => :phases,
      "family" => :family,
      "enclosure" => :enclosure,
      "capacitor_uf" => :capacitor,
      "shaft_diameter_mm" => :shaft_diameter,
      "shaft_length_mm" => :shaft_length,
      "horsepower" => :horsepower,
      "service_factor" => :service_factor,
      "control" => :control
    }.freeze

    def initialize(position, params, user)
      super(params, system: user.unit_system)
      @position = position
      @user = user
    end

    def line = params[:plate_line].to_s.strip

    # What the line says; nil without one.
    def read
      return nil if line.empty?
      unit = @position.unit
      @read ||=
        Fenbo.call(
          :nameplate,
          {"text" => line, "hertz" => unit.supply_hertz, "volts" => unit.supply_volts},
          limits: Shared::Shop.limits
        )
    end

    # Fields as they stand once the line is read in: what was typed, else what it says.
    def filled
      return @params if read.nil? || read.refused?
      said = without_shaft_watts(read.motor)
      texts =
        FIELDS
          .filter_map do |name, field|
            [field.to_s, text_of(name, said[name])] if said[name] && params[field].to_s.strip.empty?
          end
          .to_h
      params.merge(texts, turns(said))
    end

    # Fields as they stand once its watts are taken for what it gives at the shaft.
    def at_shaft
      taken = Fenbo::Quantities.read(filled["watts"].to_s, "power")
      return filled unless taken.ok?
      filled.merge("watts" => "", "horsepower" => "#{Fenbo::Quantities.tidy(taken.value)} W")
    end

    # What cannot all be true on the plate as it now stands.
    def clashes
      return [] unless clean?
      Fenbo::Matching::Coherence.new(
        @values
          .transform_keys(&:to_s)
          .transform_values { |value| (value.respond_to?(:empty?) && value.empty?) ? nil : value },
        Shared::Shop.limits
      ).clashes
    end

    # Reads everything without keeping it; true where all of it is understood.
    def check
      fault(:plate_line, "The line #{read.faults.first.message}.") if read&.refused?
      @params = filled
      @values = values
      clean?
    end

    def save
      return false unless check
      values = @values
      # Of a motor that was there before its plate was noted nobody knows since when.
      motor = @position.motor_now || FittedMotor.new(fan_position: @position)
      # Written over another plate than the one that stands there now.
      if params["motor"] && params["motor"] != self.class.motor(@position)
        raise ActiveRecord::StaleObjectError.new(motor,
          "update")
      end
      motor.update!(**values, **lock)
    end

    # Which motor the form is about: its uid, or that there is none.
    def self.motor(position) = position.motor_now&.uid || "none"

    private

    def values
      {
        family: choice(:family, Fenbo::Electrical::FAMILIES, required: "Choose the motor's family."),
        part_no: text(:part_no, longest: 60),
        volts: list(:volts, "voltage"),
        amps: list(:amps, "current"),
        hertz: hertz,
        phases: whole(:phases, 1..3),
        watts: above_nothing(:watts, "power"),
        rpm: above_nothing(:rpm, "speed"),
        poles: whole(:poles, 2..24),
        rotation: sense,
        shaft_diameter_mm: length(:shaft_diameter, :shaft_diameter_mm),
        mount: word(:mount),
        enclosure: choice(:enclosure, Fenbo::Matching::ENCLOSURES),
        connector: word(:connector),
        capacitor_uf: quantity(:capacitor, "capacitance"),
        horsepower: horsepower,
        service_factor: number(:service_factor, 0.5..3),
        control: choice(:control, Fenbo::Matching::CONTROLS),
        shaft_length_mm: length(:shaft_length, :shaft_length_mm),
        shaft_form: choice(:shaft_form, SHAFTS),
        bolt_circle_mm: length(:bolt_circle, :bolt_circle_mm),
        body_diameter_mm: length(:body_diameter, :body_diameter_mm),
        body_length_mm: length(:body_length, :body_length_mm),
        integral_blade: flag(:integral_blade),
        plate_line: text(:plate_line, longest: 400),
        **blade
      }
    end

    SHAFTS = %w[round flat keyed threaded push_on].freeze
    HUBS = %w[set_screw push_on keyed nut_on hubless].freeze

    def blade
      {
        blade_diameter_mm: length(:blade_diameter, :blade_diameter_mm),
        blade_bore_mm: length(:blade_bore, :blade_bore_mm),
        blade_count: whole(:blade_count, 2..12),
        blade_pitch_deg: number(:blade_pitch, 5..60),
        blade_rotation: choice(:blade_rotation, %w[cw ccw]),
        blade_hub: choice(:blade_hub, HUBS),
        blade_air: choice(:blade_air, %w[towards_motor away_from_motor])
      }
    end

    def length(name, column)
      quantity(name, "length", was: @position.motor_now&.public_send(column))
    end

    # Watts of the line that were found to be those at the shaft are not taken in as well.
    def without_shaft_watts(said)
      return said unless said["watts"] && typed(:horsepower) != ""
      given = horsepower.to_f * Shared::Shop.limits["match.watts_per_horsepower"]
      ((given / said["watts"] - 1).abs < SAME_WATTS) ? said.except("watts") : said
    end

    # Of a share of a horsepower in four digits.
    SAME_WATTS = 0.05
    private_constant :SAME_WATTS

    # As the plate means it, with the end it speaks of, unless a sense was chosen by hand.
    def turns(said)
      return {} if said["rotation"].nil? || !params["rotation"].to_s.empty?
      {"rotation" => said["rotation"], "rotation_view" => said["rotation_view"] || params["rotation_view"]}.compact
    end

    def text_of(name, value)
      return value.map { |one| Fenbo::Quantities.tidy(one) }.join("/") if value.is_a?(Array)
      return Fenbo::Quantities.typed(value, "length", @user.unit_system) if name.start_with?("shaft_")
      value.is_a?(Float) ? Fenbo::Quantities.tidy(value) : value.to_s
    end
  end
end
