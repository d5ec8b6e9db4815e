# frozen_string_literal: true

module Stations
  module Match
    # What a candidate saves a year beside the old motor, and when it has paid what it
    # costs more than the cheapest that would do.
    class EnergyOf
      def self.of(search, candidate)
        effects, unit = candidate.effects, search.job.unit
        return nil unless effects.old_watts && effects.watts
        plain =
          search
            .candidates
            .reject { |one| one.part_no == candidate.part_no }
            .filter_map do |one|
              if one.effects.watts && one.effects.watts >= effects.old_watts * Shared::Shop.limits["energy.alike"]
                search.price_cents(one.part_no)
              end
            end
            .min
        Fenbo.call(
          :energy,
          {
            "side" => search.position.side,
            "freezer" => !unit.setpoint_c.nil? && unit.setpoint_c < Shared::Shop.limits["energy.freezer_c"],
            "old_watts" => effects.old_watts,
            "new_watts" => effects.watts,
            "tariff_cents_kwh" => Setting.read("tariff_cents_kwh"),
            "extra_cents" => [search.price_cents(candidate.part_no).to_i - plain.to_i, 0].max
          },
          limits: Shared::Shop.limits
        )
      end
    end
  end
end
