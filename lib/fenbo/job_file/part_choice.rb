# frozen_string_literal: true

module Fenbo
  module JobFile
    # A motor or kit of the catalogue, as it stood when it was chosen.
    CataloguePart = Shape.of(
      part_no: String, maker: Shape.maybe(String), family: String, volts: [Float], hertz: [Float],
      phases: Shape.maybe(Integer), amps: [Float], watts: Shape.maybe(Float), horsepower: Shape.maybe(Float),
      service_factor: Shape.maybe(Float), rpm: Shape.maybe(Float), poles: Shape.maybe(Integer),
      rotation: Shape.maybe(String), shaft_diameter_mm: Shape.maybe(Float), shaft_length_mm: Shape.maybe(Float),
      shaft_form: Shape.maybe(String), mount: Shape.maybe(String), bolt_circle_mm: Shape.maybe(Float),
      body_diameter_mm: Shape.maybe(Float), body_length_mm: Shape.maybe(Float), enclosure: Shape.maybe(String),
      control: Shape.maybe(String), connector: Shape.maybe(String), capacitor_uf: Shape.maybe(Float),
      integral_blade: Shape::FLAG, price_cents: Shape.maybe(Integer), kit_contents: Shape.maybe(String),
      kit_work: [String], kit_leaves: [String], kit_minutes: Shape.maybe(Integer)
    ) do
      include Nameplate
    end

    CatalogueBlade = Shape.of(
      part_no: String, maker: Shape.maybe(String), diameter_mm: Float, blade_count: Integer,
      pitch_deg: Shape.maybe(Float), hub: String, bore_mm: Shape.maybe(Float), rotation: String, air: String,
      price_cents: Shape.maybe(Integer)
    )

    # A part that is no motor, as it stood when it was chosen; `columns` by spares.yml.
    CatalogueSpare = Shape.of(
      part_no: String, maker: Shape.maybe(String), kind: String, price_cents: Shape.maybe(Integer), columns: Hash
    ) do
      def label = Matching::SpareKind[kind].label
    end

    # The motor or other part picked for a fan, the blade with it, the seat of its hub, and where it comes
    # from. `fan` is the fan's key, nil in files of before parts had one: then it is the fan in
    # hand; `fault` that of the fault it is for (Faults). `fit_reading` is the id of the measurements
    # the seat rests on; `fitted_at` is nil until somebody confirmed that it sits in its place.
    # `beside` is what comes with the choice: {"extra_work" => [{id, text, minutes}], "transfers" => […],
    # "parts" => […], "upgrade" => the motor that would take less: {part_no, extra_cents, saved_cents and
    # saved_kwh a year, payback_years}}; `wanted` what was noted of the old part that is no motor.
    PartChoice = Shape.of(
      uid: String, by: Person, fan: Shape.maybe(String), fault: Shape.maybe(String),
      fitted_at: Shape.maybe(Time), fitted_by: Shape.maybe(Person), chosen_at: Time, motor: Shape.maybe(CataloguePart),
      blade: Shape.maybe(CatalogueBlade),
      grade: Shape.maybe(String), checks: Array, offer: Shape.maybe(Hash), ready_at: Shape.maybe(Time),
      superseded_at: Shape.maybe(Time), seat_mm: Shape.maybe(Float), spacers: Shape.maybe(Integer),
      fit_reading: Shape.maybe(String), beside: Shape.maybe(Hash), spare: Shape.maybe(CatalogueSpare),
      wanted: Shape.maybe(Hash)
    ) do
      # What was chosen, whichever it is.
      def thing = motor || spare

      def fitted? = !fitted_at.nil?

      # Whether what was ordered has come.
      def here? = offer.to_h["here"] == true

      # Whether it was taken off a van: nothing had to be ordered.
      def from_van? = offer.to_h["offer"] == "van"

      # Whether it was ordered and has not come yet.
      def awaited? = !offer.nil? && !(fitted? || here? || from_van?)
    end
  end
end
