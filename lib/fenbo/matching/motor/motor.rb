# frozen_string_literal: true

module Fenbo
  module Matching
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
        def self.read(input) = MotorReading.new(input).motor

        # One pattern a thing, from knowledge/kits.yml.
        def self.kit_words
          @kit_words ||=
            Knowledge
              .table("kits")
              .to_h { |thing, words| [thing.to_sym, /\b(?:#{Regexp.union(words).source})/i] }
              .freeze
        end

        # Nameplate amps at the plate voltage nearest to `site_volts`.
        def amps_at(site_volts)
          return amps.first if amps.size < 2 || volts.size != amps.size
          amps[volts.each_index.min_by { |index| (volts[index] - site_volts).abs }]
        end

        def kit? = !kit_contents.nil? && kit_contents.match?(/[^;,+\s]/)

        # Its kit has a blade, or a plate or bracket, of its own.
        def kit_with?(thing)
          !kit_contents.nil? && kit_contents.match?(Motor.kit_words.fetch(thing))
        end

        # How large the blade of its kit is, where the kit says so: "blade 230 mm", "blade 9 in".
        # @return [Float, nil]
        def kit_blade_mm
          said = contents.find { |one| one.match?(Motor.kit_words.fetch(:blade)) }.to_s[/\d.*/] or return nil
          Quantities.read(said, "length").value
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
  end
end
