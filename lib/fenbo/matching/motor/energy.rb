# frozen_string_literal: true

module Fenbo
  module Matching
    # What a motor that takes less saves in a year. Power in a cold box is paid twice:
    # once at the fan, once to carry its heat out again.
    #
    #   saving = ΔW × (1 + 1 ÷ COP) beside a coil, ΔW at a condenser; × hours × tariff
    #   payback = extra cost ÷ yearly saving
    #
    # in:  side evaporator | condenser; freezer; old_watts, new_watts taken in; hours_a_year
    #      (8,760 where null), tariff_cents_kwh, extra_cents (what the saving one costs more;
    #      0 where null), cop (null: 2.5 cooler, 1.5 freezer)
    # out: verdict saves | costs | same, saved_watts, saved_kwh, saved_cents a year,
    #      payback_years (null where it never pays), cop
    # Source: docs/sources.md, motors/energy.
    class Energy < Tool
      MOST_CENTS = 1_000_000_000
      Question = Value.of(:side, :cop, :old_watts, :new_watts, :hours, :tariff_cents, :extra_cents)

      def self.read(input, limits)
        side = input.choice("side", %w[evaporator condenser])
        freezer = input.flag("freezer", default: false)
        watts = %w[old_watts new_watts].map { |name| input.number(name, at_least: 0, at_most: 1_000_000) }
        cop =
          input.number("cop", required: false, above: 0, at_most: 20) ||
          limits[freezer ? "energy.cop_freezer" : "energy.cop_cooler"]
        Question.new(
          side:,
          cop:,
          old_watts: watts[0],
          new_watts: watts[1],
          hours:
            input.number("hours_a_year", required: false, at_least: 0, at_most: 8_784) || limits["energy.hours_a_year"],
          tariff_cents: input.number("tariff_cents_kwh", at_least: 0, at_most: 100_000),
          extra_cents: input.number("extra_cents", required: false, at_least: 0, at_most: MOST_CENTS) || 0
        )
      end

      def answer
        Result.new(
          verdict:,
          figures: {
            saved_watts: watts.round(2),
            saved_kwh: kwh.round(1),
            saved_cents: cents.round,
            payback_years: payback&.round(2),
            cop: question.cop
          },
          reasons:
        )
      end

      def verdict
        return "same" if watts.zero?
        watts.positive? ? "saves" : "costs"
      end

      # Beside a coil each watt has to be carried out again.
      def watts
        (question.old_watts - question.new_watts) * (twice? ? 1 + 1.0 / question.cop : 1)
      end

      def kwh = watts * question.hours / 1000.0

      def cents = kwh * question.tariff_cents

      # Years until the saving has paid what it costs more.
      def payback
        return 0.0 if question.extra_cents.zero? && watts.positive?
        question.extra_cents / cents if cents.positive?
      end

      private

      def twice? = question.side == "evaporator"

      def reasons = [worth, heat].compact

      def worth
        reason(
          "#{Quantities.tidy(question.old_watts.round(1))} W for " \
          "#{Quantities.tidy(question.new_watts.round(1))} W over #{question.hours.round} hours: " \
          "#{kwh.round} kWh a year#{" less" if kwh.positive?}",
          "energy.saving",
          value: kwh.round(1),
          source: "motors/energy"
        )
      end

      def heat
        if twice?
          reason(
            "In the cold each watt is paid again to carry its heat out, at a COP of #{Quantities.tidy(question.cop)}",
            "energy.cop",
            value: question.cop,
            source: "motors/energy"
          )
        end
      end
    end
  end
end
