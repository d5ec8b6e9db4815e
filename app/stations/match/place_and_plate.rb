# frozen_string_literal: true

module Stations
  module Match
    # What every motor is asked about alike: the old one's plate and blade, the place as it was
    # measured, the unit's supply and surroundings, and what there is to adapt with.
    class PlaceAndPlate
      ASIDE = %w[part_no kind from_mm to_mm mount_from mount_to bolt_circle_mm].freeze
      # What is noted of a fitted motor too.
      PLATE =
        (
          Motor::COLUMNS -
            %w[
              maker ambient_low_c ambient_high_c flammable_ok cross_reference price_cents kit_contents
              kit_work kit_leaves kit_minutes discontinued superseded_by
            ]
        ).freeze

      # @param job [Fenbo::JobFile::Job]
      # @param position [Fenbo::JobFile::Fan]
      # @param superseded_by [String, nil] what its maker names in the old one's place
      def initialize(job, position, superseded_by:)
        @unit = job.unit
        @position = position
        @old = position.motor
        @superseded_by = superseded_by
      end

      # @return [Hash] a question of the tool `match`, but for the motors
      def to_h
        {
          "old" => plate, "site" => site, "healthy_amps" => @position.healthy_amps, "blade" => blade,
          "fit" => @position.place&.question&.except("L", "chosen"), "accessories" => accessories
        }.compact
      end

      private

      def accessories
        Accessory.where(kind: %w[bushing bracket adapter]).order(:part_no).pluck(*ASIDE)
          .map { |values| ASIDE.zip(values).to_h.compact }
      end

      def plate
        return {} unless @old
        @old.as_json.slice(*PLATE).merge("rotation_view" => "shaft_end", "superseded_by" => @superseded_by).compact
      end

      def blade
        return unless @old
        {"bore_mm" => @old.blade_bore_mm, "kind" => @old.blade_hub, "rotation" => @old.blade_rotation,
         "air" => @old.blade_air, "diameter_mm" => @old.blade_diameter_mm}.compact
      end

      def site
        {
          "volts" => @unit.supply_volts, "phases" => @unit.supply_phases, "hertz" => @unit.supply_hertz,
          "ambient_c" => ambient, "wet" => @unit.wet, "flammable" => @unit.flammable,
          "overload_amps" => @unit.overload_amps, "contactor_amps" => @unit.contactor_a, "belt" => @unit.belt
        }.compact
      end

      def ambient
        both = [@unit.ambient_low_c, @unit.ambient_high_c]
        both if both.all?
      end
    end
  end
end
