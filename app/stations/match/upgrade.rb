# frozen_string_literal: true

module Stations
  module Match
    # The motor that would take less instead of the one chosen, with what it saves a year and
    # when it has paid what it costs more; nil where none pays.
    class Upgrade
      # @return [Hash, nil] part_no, extra_cents, saved_cents (a year), saved_kwh, payback_years
      def self.of(search, chosen)
        return if search.motor(chosen.part_no).family == "ec"
        search.candidates.select { |one| search.motor(one.part_no).family == "ec" }
          .filter_map { |one| new(search, chosen, one).told }.min_by { |row| row["payback_years"] }
      end

      def initialize(search, chosen, other)
        @search = search
        @chosen = chosen
        @other = other
      end

      def told
        return if @other.effects.watts.nil? || @chosen.effects.watts.nil?
        energy = Fenbo.call(:energy, question, limits: Shared::Shop.limits)
        return if energy.refused? || energy.verdict != "saves" || energy.payback_years.nil?
        {"part_no" => @other.part_no, "extra_cents" => extra, "saved_cents" => energy.saved_cents,
         "saved_kwh" => energy.saved_kwh.round, "payback_years" => energy.payback_years.round(1)}
      end

      private

      def extra
        [@search.price_cents(@other.part_no).to_i - @search.price_cents(@chosen.part_no).to_i, 0].max
      end

      def question
        unit = @search.job.unit
        {
          "side" => @search.position.side,
          "freezer" => !unit.setpoint_c.nil? && unit.setpoint_c < Shared::Shop.limits["energy.freezer_c"],
          "old_watts" => @chosen.effects.watts, "new_watts" => @other.effects.watts,
          "tariff_cents_kwh" => Setting.read("tariff_cents_kwh"), "extra_cents" => extra
        }
      end
    end
  end
end
