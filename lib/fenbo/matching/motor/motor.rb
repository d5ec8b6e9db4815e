# frozen_string_literal: true

module Fenbo
  module Matching
    ENCLOSURES = %w[open open_air_over enclosed potted].freeze
    CONTROLS = %w[none 0_10v pwm taps program].freeze

    # Figures of a motor, and between which bounds they are possible at all.
    RANGES = {
      phases: {
        above: 0,
        at_most: 3
      },
      watts: {
        above: 0
      },
      horsepower: {
        above: 0
      },
      service_factor: {
        above: 0,
        at_most: 3
      },
      rpm: {
        above: 0,
        at_most: 100_000
      },
      poles: {
        above: 0,
        at_most: 48
      },
      shaft_diameter_mm: {
        above: 0
      },
      shaft_length_mm: {
        above: 0
      },
      bolt_circle_mm: {
        above: 0
      },
      body_diameter_mm: {
        above: 0
      },
      body_length_mm: {
        above: 0
      },
      ambient_low_c: {
        at_least: -120
      },
      ambient_high_c: {
        at_most: 200
      },
      capacitor_uf: {
        above: 0
      },
      price_cents: {
        at_least: 0
      },
      kit_minutes: {
        at_least: 0,
        at_most: 10_000
      },
      available_hours: {
        at_least: 0
      },
      landed_cents: {
        at_least: 0
      }
    }.freeze

    # A motor as its plate and a caliper describe it. Lengths in mm, temperatures
    # in °C, money in cents; nil where nobody knows. obtainable: false where it was asked and
    # nobody has it.
    Motor =
      Value.of(
        :part_no,
        :family,
        :volts,
        :hertz,
        :phases,
        :amps,
        :watts,
        :horsepower,
        :service_factor,
        :rpm,
        :poles,
        :rotation,
        :shaft_diameter_mm,
        :shaft_length_mm,
        :shaft_form,
        :mount,
        :bolt_circle_mm,
        :body_diameter_mm,
        :body_length_mm,
        :enclosure,
        :ambient_low_c,
        :ambient_high_c,
        :flammable_ok,
        :integral_blade,
        :control,
        :connector,
        :capacitor_uf,
        :cross_reference,
        :price_cents,
        :kit_contents,
        kit_work: [],
        kit_leaves: [],
        kit_minutes: nil,
        discontinued: nil,
        superseded_by: nil,
        available_hours: nil,
        landed_cents: nil,
        obtainable: nil
      ) do
        define_singleton_method(:read) do |input|
          texts =
            %i[part_no shaft_form mount connector superseded_by].to_h do |key|
              [key, input.text(key.to_s, required: false, longest: 200)]
            end
          figures = RANGES.to_h { |key, range| [key, input.number(key.to_s, required: false, **range)] }
          lists = %i[volts hertz amps].to_h { |key| [key, input.numbers(key.to_s, required: false, above: 0) || []] }
          sense = input.choice("rotation", Rotation::SENSES, required: false)
          view = input.choice("rotation_view", Rotation::VIEWS, required: false)
          new(
            family: input.choice("family", Electrical::FAMILIES),
            rotation: Rotation.canonical(sense, view),
            enclosure: input.choice("enclosure", ENCLOSURES, required: false),
            control: input.choice("control", CONTROLS, required: false),
            **%i[flammable_ok integral_blade discontinued obtainable].to_h { |key| [key, truth(input, key.to_s)] },
            **%i[cross_reference kit_work kit_leaves].to_h { |key| [key, input.list(key.to_s, required: false)] },
            kit_contents: contents_of(input),
            **texts,
            **figures,
            **lists
          )
        end

        # One pattern a thing, from knowledge/kits.yml.
        define_singleton_method(:kit_words) do
          @kit_words ||=
            Knowledge
              .table("kits")
              .to_h { |thing, words| [thing.to_sym, /\b(?:#{Regexp.union(words).source})/i] }
              .freeze
        end

        # "motor; blade; plate", or the same as a list.
        define_singleton_method(:contents_of) do |input|
          value = input.raw("kit_contents")
          next input.text("kit_contents", required: false) unless value.is_a?(Array)
          next input.fault("kit_contents", "must be text or a list of texts") unless value.all?(String)
          value.empty? ? nil : value.join("; ")
        end

        # true/false or 1/0, as both JSON and CSV write it.
        define_singleton_method(:truth) do |input, key|
          value = input.raw(key)
          next value == true || value == 1 if [true, false, 1, 0].include?(value)
          next nil if value.nil?
          input.fault(key, "must be 0 or 1")
        end

        # Nameplate amps at the plate voltage nearest to `site_volts`.
        def amps_at(site_volts)
          return amps.first if amps.size < 2 || volts.size != amps.size
          amps[volts.each_index.min_by { |index| (volts[index] - site_volts).abs }]
        end

        def kit? = !kit_contents.nil? && contents.any?

        # Its kit has a blade, or a plate or bracket, of its own.
        def kit_with?(thing)
          !kit_contents.nil? && kit_contents.match?(Motor.kit_words.fetch(thing))
        end

        # The hub on its shaft is its own, whatever the old blade's was.
        def brings_blade? = integral_blade || kit_with?(:blade)

        # "motor; plate to bend; blade" one by one.
        def contents
          kit_contents.nil? ? [] : kit_contents.split(/[;,+]/).map(&:strip).reject(&:empty?)
        end

        # Watts taken in: printed, else from amps and the family's usual power factor.
        def input_watts(limits)
          return watts if watts
          return nil unless amps.any? && volts.any?
          amps.first * volts.first * limits["power_factor.#{family}"] * ((phases == 3) ? Math.sqrt(3) : 1)
        end

        # Shaft output in W from the plate: horsepower where printed, else input
        # watts × the family's usual efficiency.
        def output_watts(limits)
          return horsepower * limits["match.watts_per_horsepower"] if horsepower
          input_watts(limits)&.*(limits["efficiency.#{family}"])
        end
      end

    # Where the motor has to work.
    # overload_amps: what its overload can be set to, [low, high]; contactor_amps: what its
    # contactor carries; nil where not noted. belt: the motor drives its fan by a belt.
    Place =
      Value.of(
        :volts,
        :phases,
        :hertz,
        :ambient_c,
        :wet,
        :flammable,
        overload_amps: nil,
        contactor_amps: nil,
        belt: false
      ) do
        def self.read(input)
          new(
            volts: input.number("volts", above: 0, at_most: 100_000),
            phases: input.integer("phases", at_least: 1, at_most: 3),
            hertz: input.number("hertz", above: 0, at_most: 400),
            ambient_c: input.numbers("ambient_c", required: false, sizes: [2], at_least: -120, at_most: 200),
            wet: input.flag("wet", default: false),
            flammable: input.flag("flammable", default: false),
            belt: input.flag("belt", default: false),
            overload_amps:
              input.numbers("overload_amps", required: false, sizes: [2], above: 0, at_most: 10_000)&.minmax,
            contactor_amps: input.number("contactor_amps", required: false, above: 0, at_most: 10_000)
          )
        end
      end
  end
end
