# frozen_string_literal: true

module Fenbo
  module Matching
    # A blade as it is measured and listed. Rotation is kept as seen from the air-discharge
    # side, where blades are read; lengths in mm, nil where nobody knows.
    Blade =
      Value.of(:part_no, :diameter_mm, :blade_count, :pitch_deg, :hub, :bore_mm, :rotation, :air, :price_cents) do
        define_singleton_method(:read) do |input|
          figures = {
            diameter_mm: {
              above: 0,
              at_most: 10_000
            },
            blade_count: {
              above: 0,
              at_most: 40
            },
            pitch_deg: {
              above: 0,
              at_most: 90
            },
            bore_mm: {
              above: 0,
              at_most: 1_000
            },
            price_cents: {
              at_least: 0
            }
          }
          new(
            part_no: input.text("part_no", required: false, longest: 200),
            hub: input.text("hub", required: false, longest: 60),
            rotation: input.choice("rotation", %w[cw ccw], required: false),
            air: input.choice("air", %w[towards_motor away_from_motor], required: false),
            **figures.to_h { |key, range| [key, input.number(key.to_s, required: false, **range)] }
          )
        end

        # The motor's sense, seen from its shaft end, that drives this blade. Air blown away
        # from the motor is discharged at the shaft end: the same view. Blown towards it, the
        # blade was read from behind.
        def motor_sense
          return nil unless rotation && air
          (air == "away_from_motor") ? rotation : Rotation::OPPOSITE.fetch(rotation)
        end
      end
  end
end
