# frozen_string_literal: true

module Shared
  # The picture of an instrument: its empty face before anything was asked, what it
  # found afterwards.
  module InstrumentPictures
    # @param reading [Fenbo::JobFile::Reading, nil] one that was kept, instead of what is asked now
    def instrument_picture(instrument, reading: nil)
      asked, result = [reading.question, reading.answer] if reading&.answer
      asked, result = [instrument.asked.as_json, instrument.result] if instrument.result && !instrument.result.refused?
      send(:"picture_of_#{instrument.tool}", instrument, asked, result)
    end

    private

    def picture_of_amps(instrument, asked, result)
      return Drawing::AmpsDial.new(window: instrument.window).svg unless result
      Drawing::AmpsDial.new(result:, turns: asked.dig("reading", "turns") || 1).svg
    end

    def picture_of_phases(_instrument, asked, result)
      limits = Shop.limits
      unless result
        return (
          Drawing::Legs.new(
            values: [0, 0, 0],
            unit: "A",
            limits: limits.then { |one| [one["balance.amps_good"], one["balance.amps_watch"]] }
          ).svg
        )
      end
      volts =
        asked["volts"] &&
        Drawing::Legs.new(
          values: asked["volts"],
          unit: "V",
          names: %w[ab bc ca],
          limits: [limits["balance.volts_good"], limits["balance.volts_correct"]]
        ).svg
      amps =
        asked["amps"] &&
        Drawing::Legs.new(
          values: asked["amps"],
          unit: "A",
          limits: [limits["balance.amps_good"], limits["balance.amps_watch"]],
          rolled: asked["rolled_amps"],
          lost: result.lost_leg
        ).svg
      [volts, amps].compact.join
    end

    def picture_of_windings(instrument, asked, result)
      Drawing::Winding.new(
        kind: asked ? asked["kind"] : instrument.kind,
        result:,
        ohms: asked ? asked["ohms"].compact : {},
        open: asked ? asked["open"] : []
      ).svg
    end

    def picture_of_capacitor(_instrument, asked, result)
      rated = asked ? asked["rated_uf"] || asked["range_uf"].first : 0
      Drawing::CapacitorBand.new(result:, open_uf: Shop.limits["capacitor.open"] * rated).svg
    end

    def picture_of_product(_instrument, asked, result)
      result ? Drawing::DriftCurve.new(result:, asked:, system: units).svg : ""
    end

    def picture_of_pulldown(_instrument, asked, result)
      if result && asked["readings"].any?
        Drawing::CoolingCurve.new(result:, asked:, food_limit_c: @job&.product_limit_c, system: units).svg
      else
        ""
      end
    end

    def picture_of_driven(_instrument, asked, result)
      (result && asked["steps"].any?) ? Drawing::Steps.new(result:, asked:).svg : ""
    end

    def picture_of_replace(_instrument, _asked, result)
      result ? Drawing::YearCosts.new(result:, money: ->(cents) { Shop.money(cents) }).svg : ""
    end

    def picture_of_refrigerant(_instrument, asked, result)
      return "" unless result
      warn = asked["warn_percent"] || Shop.limits["refrigerant.warn"]
      Drawing::LedgerBars.new(result:, asked:, warn:, system: units).svg
    end
  end
end
