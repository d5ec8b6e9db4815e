# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # The kind of equipment a fan sits in, and what can be wrong or tested there.
    # `motor` is nil when its family is not known.
    Equipment = Value.of(:family, :side, motor: nil) do
      # What it is not, where that is no thing it could have.
      lacks = {
        "household" => "only a household unit shows it", "commercial" => "only a commercial unit shows it",
        "roof" => "it stands on no roof", "staged" => "its fans are not staged",
        "speed_command" => "its fans take no speed command"
      }.freeze

      def traits = row["traits"]

      def cover_minutes = row["cover_minutes"]

      def roof_minutes = row["roof_minutes"]

      def cause?(cause)
        here = fits?(cause.sides, side) || (one_piece? && cause.across?(side) && cause.across)
        here && motor_fits?(cause.motors) && (cause.needs - traits).empty?
      end

      # Coil and condenser in one cabinet: whoever stands at one side sees the other too.
      def one_piece? = traits.include?("one_piece")

      def test?(test) = why_not(test).nil?

      # Why a test does not exist here, in words, or nil when it does.
      def why_not(test)
        here = fits?(test.sides, side) || (one_piece? && test.across)
        return "there is no #{side} part to it on this unit" unless here
        return "not for a motor of this family" unless motor_fits?(test.motors)
        missing = test.needs - traits
        lacking(missing.first) if missing.any?
      end

      private

      define_method(:lacking) { |trait| lacks.fetch(trait) { "this unit has no #{trait.tr("_", " ")}" } }

      def row = Knowledge.table("families").fetch(family)

      def fits?(allowed, value) = allowed.nil? || allowed.include?(value)

      def motor_fits?(allowed)
        allowed.nil? || motor.nil? || allowed.include?(motor)
      end
    end
  end
end
