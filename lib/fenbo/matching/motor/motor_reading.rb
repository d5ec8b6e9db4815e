# frozen_string_literal: true

module Fenbo
  module Matching
    ENCLOSURES = %w[open open_air_over enclosed potted].freeze
    CONTROLS = %w[none 0_10v pwm taps program].freeze

    # A motor read from its columns, as the tools and the catalogue have them.
    class MotorReading
      # Figures, and between which bounds they are possible at all.
      RANGES = {
        "phases" => {above: 0, at_most: 3},
        "watts" => {above: 0},
        "horsepower" => {above: 0},
        "service_factor" => {above: 0, at_most: 3},
        "rpm" => {above: 0, at_most: 100_000},
        "poles" => {above: 0, at_most: 48},
        "shaft_diameter_mm" => {above: 0},
        "shaft_length_mm" => {above: 0},
        "bolt_circle_mm" => {above: 0},
        "body_diameter_mm" => {above: 0},
        "body_length_mm" => {above: 0},
        "ambient_low_c" => {at_least: -120},
        "ambient_high_c" => {at_most: 200},
        "capacitor_uf" => {above: 0},
        "price_cents" => {at_least: 0},
        "kit_minutes" => {at_least: 0, at_most: 10_000},
        "available_hours" => {at_least: 0},
        "landed_cents" => {at_least: 0}
      }.freeze
      TEXTS = %w[part_no shaft_form mount connector superseded_by].freeze
      LISTS_OF_FIGURES = %w[volts hertz amps].freeze
      LISTS = %w[cross_reference kit_work kit_leaves].freeze
      TRUTHS = %w[flammable_ok integral_blade discontinued obtainable].freeze

      # @param input [Input]
      def initialize(input)
        @input = input
      end

      # @return [Motor] with nil for what is absent or wrong; the input knows what is wrong
      def motor
        Motor.new(
          family: @input.choice("family", Electrical::FAMILIES),
          rotation:,
          enclosure: @input.choice("enclosure", ENCLOSURES, required: false),
          control: @input.choice("control", CONTROLS, required: false),
          kit_contents:,
          **each(TEXTS) { |key| @input.text(key, required: false, longest: 200) },
          **each(RANGES.keys) { |key| @input.number(key, required: false, **RANGES[key]) },
          **each(LISTS_OF_FIGURES) { |key| @input.numbers(key, required: false, above: 0) || [] },
          **each(LISTS) { |key| @input.list(key, required: false) },
          **each(TRUTHS) { |key| truth(key) }
        )
      end

      private

      def each(keys) = keys.to_h { |key| [key.to_sym, yield(key)] }

      def rotation
        sense = @input.choice("rotation", Rotation::SENSES, required: false)
        Rotation.canonical(sense, @input.choice("rotation_view", Rotation::VIEWS, required: false))
      end

      # "motor; blade; plate", or the same as a list.
      def kit_contents
        value = @input.raw("kit_contents")
        return @input.text("kit_contents", required: false) unless value.is_a?(Array)
        return @input.fault("kit_contents", "must be text or a list of texts") unless value.all?(String)
        value.empty? ? nil : value.join("; ")
      end

      # true/false or 1/0, as both JSON and CSV write it.
      def truth(key)
        value = @input.raw(key)
        return value == true || value == 1 if [true, false, 1, 0].include?(value)
        value.nil? ? nil : @input.fault(key, "must be 0 or 1")
      end
    end
  end
end
