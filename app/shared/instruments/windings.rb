# frozen_string_literal: true

module Shared
  module Instruments
    # Ohms of a dead motor pair by pair, and to ground.
    class Windings < Instrument
      KINDS = {"three_phase" => "three-phase", "psc" => "PSC", "shaded_pole" => "shaded pole"}.freeze
      OPEN = /\A\s*(open|ol|o\.l\.?|inf|∞|-+)\s*\z/i
      OUTCOMES = {
        "sound" => "normal",
        "watch" => "normal",
        "open_winding" => "open",
        "open_protector" => "open",
        "shorted_turns" => "low",
        "unbalanced" => "unbalanced"
      }.freeze
      GROUND = {"good" => "good", "watch" => "watch", "fail" => "fail"}.freeze

      def fields
        [
          (Field.new(name: "kind", label: "Motor", options: KINDS) unless fan),
          *pairs.map do |pair|
            Field.new(
              name: pair,
              label: pair.upcase.chars.join("–"),
              kind: "resistance",
              group: "Resistance, connector off; “open” where there is no path"
            )
          end,
          Field.new(name: "ground", label: "To ground", kind: "insulation", group: "Insulation and warmth"),
          Field.new(name: "celsius", label: "Winding temperature", kind: "temperature", group: "Insulation and warmth"),
          Field.new(name: "running_hot", label: "It was hot just now", flag: true, group: "Insulation and warmth")
        ].compact
      end

      def kind
        family = plate&.family || value("kind")
        KINDS.key?(family) ? family : "shaded_pole"
      end

      def kinds = (fan && plate.nil?) ? KINDS : {}

      def pairs = Fenbo::Electrical::Windings::PAIRS.fetch(kind)

      def findings
        pattern = {"winding_ohms" => OUTCOMES[pattern_verdict], "insulation" => GROUND[result.insulation]}
        pattern.compact
      end

      def working
        lines =
          if result.spread_percent
            [
              [
                (
                  if kind == "psc"
                    "difference = 100 × |R–S − (C–R + C–S)| ÷ (C–R + C–S)"
                  else
                    "spread = 100 × (largest − smallest) ÷ smallest"
                  end
                ),
                "#{tidy(result.spread_percent)} %"
              ]
            ]
          else
            []
          end
        return lines unless result.ohms_at_20c
        pair, ohms = asked["ohms"].compact.first
        if pair
          lines +
            [
              [
                "R20 = R ÷ (1 + #{copper} × (T − 20))",
                "#{tidy(ohms)} ÷ (1 + #{copper} × (#{tidy(asked["winding_celsius"])} − 20)) = " \
                "#{tidy(result.ohms_at_20c[pair])} Ω"
              ]
            ]
        else
          lines
        end
      end

      # The verdict of the pairs, whatever ground says.
      def pattern_verdict
        return result.verdict unless result.verdict == "grounded"
        Fenbo.call(:windings, asked.merge("ground_megohms" => nil), limits: Shop.limits).verdict
      end

      private

      def copper = Shop.limits["winding.copper"]

      # What is most likely where nobody says, by the supply.
      def known
        {"kind" => (job && job.unit.supply_phases == 1) ? "shaded_pole" : "three_phase"}
      end

      def question
        open = pairs.select { |pair| value(pair).to_s.match?(OPEN) && value(pair).present? }
        {
          "kind" => kind,
          "ohms" => (pairs - open).to_h { |pair| [pair, figure(pair)] },
          "open" => open,
          "ground_megohms" => figure("ground"),
          "winding_celsius" => figure("celsius"),
          "running_hot" => value("running_hot") == "1"
        }
      end

      def field_of(path)
        return path.delete_prefix("ohms.") if path.start_with?("ohms.")
        {"ground_megohms" => "ground", "winding_celsius" => "celsius"}.fetch(path, pairs.first)
      end
    end
  end
end
