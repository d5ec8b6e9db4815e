# frozen_string_literal: true

module Shared
  module Instruments
    # Microfarads against what is printed: on a meter, or under load.
    class Capacitor < Instrument
      RANGE = /\A\s*(\d+(?:[.,]\d+)?)\s*(?:-|–|to)\s*(\d+(?:[.,]\d+)?)\s*(?:[uµμ]f)?\s*\z/i

      def fields
        [
          Field.new(
            name: "rated",
            label: "Printed",
            kind: "capacitance",
            group: "On the can",
            hint: "One figure, or a range such as 88–108 for a start capacitor."
          ),
          Field.new(name: "tolerance", label: "Tolerance", unit: "%", group: "On the can",
            hint: "6 % where none is printed."),
          Field.new(
            name: "measured",
            label: "Measured",
            kind: "capacitance",
            group: "On a meter, bled and disconnected"
          ),
          Field.new(
            name: "amps",
            label: "Amps in the start lead",
            kind: "current",
            group: "Or under load, nothing removed"
          ),
          Field.new(name: "volts", label: "Volts across it", kind: "voltage", group: "Or under load, nothing removed"),
          Field.new(name: "hertz", label: "Mains", unit: "Hz", group: "Or under load, nothing removed")
        ]
      end

      def dead? = !loaded?

      def findings = {"capacitor" => result.verdict}

      def working
        rated = asked["rated_uf"]
        band =
          if rated
            [
              [
                "rated × (1 ± tolerance)",
                "#{tidy(rated)} × (1 ± " \
                "#{tidy(asked["tolerance_percent"] || Shop.limits["capacitor.tolerance"])} %) = " \
                "#{tidy(result.low_uf)} to #{tidy(result.high_uf)} µF"
              ]
            ]
          else
            []
          end
        load = asked["under_load"] or return band
        band +
          [
            [
              "C = 10⁶ × I ÷ (2π × f × V)",
              "10⁶ × #{tidy(load["amps"])} ÷ (2π × #{tidy(load["hertz"])} × #{tidy(load["volts"])}) = " \
              "#{tidy(result.measured_uf)} µF"
            ]
          ]
      end

      private

      def known
        {
          "rated" => plate&.capacitor_uf && tidy(plate.capacitor_uf).to_s,
          "hertz" => job ? tidy(job.unit.supply_hertz) : "50"
        }
      end

      def loaded? = value("amps").present? || value("volts").present?

      def range
        value("rated").to_s.match(RANGE)&.captures&.map { |one| Fenbo::Quantities.number(one) }
      end

      def question
        printed = range ? {"range_uf" => range} : {"rated_uf" => figure("rated", required: true)}
        if loaded?
          load = {
            "amps" => figure("amps", required: true),
            "volts" => figure("volts", required: true),
            "hertz" => number("hertz")
          }
        end
        printed.merge(
          "tolerance_percent" => number("tolerance"),
          "measured_uf" => (loaded? ? figure("measured") : figure("measured", required: true)),
          "under_load" => load
        ).compact
      end

      def field_of(path)
        return path.delete_prefix("under_load.") if path.start_with?("under_load.")
        {"rated_uf" => "rated", "range_uf" => "rated", "tolerance_percent" => "tolerance"}.fetch(
          path[/\A\w+/],
          "measured"
        )
      end
    end
  end
end
