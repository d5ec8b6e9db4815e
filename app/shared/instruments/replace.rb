# frozen_string_literal: true

module Shared
  module Instruments
    # Repair the unit or replace it, by what each costs a year: every fault with a price as a
    # line, else the sum that was typed.
    class Replace < Instrument
      def fields
        [
          *(lines.empty? ? [Field.new(name: "repair", label: "The repair, in all", unit: MONEY,
            group: "Repaired")] : []),
          Field.new(name: "years_left", label: "Lasts", unit: "years", group: "Repaired"),
          Field.new(name: "repairs_a", label: "Repairs a year", unit: MONEY, group: "Repaired"),
          Field.new(name: "energy_a", label: "Energy a year", unit: MONEY, group: "Repaired"),
          Field.new(name: "price", label: "Price, installed", unit: MONEY, group: "A new unit"),
          Field.new(name: "life", label: "Lasts", unit: "years", group: "A new unit"),
          Field.new(name: "repairs_b", label: "Repairs a year", unit: MONEY, group: "A new unit"),
          Field.new(name: "energy_b", label: "Energy a year", unit: MONEY, group: "A new unit"),
          Field.new(name: "rate", label: "Interest a year", unit: "%", group: "Money")
        ]
      end

      # What each fault costs, as its way was taken.
      # @return [Array<Hash>]
      def lines
        @lines ||= costs.map { |key, cents|
          fault = job.fault_at(key)
          {"what" => "#{fault.place}: #{fault.decision&.label}", "cents" => cents}
        }
      end

      def working
        years = result.break_even_years or return []
        [["the repair has to last", "#{tidy(years)} years, for both to cost the same"]]
      end

      private

      def costs = job ? Fenbo::Decision::Approval.new(job).costs : {}

      def known = {"rate" => tidy(Shop.limits["replace.rate"] * 100)}

      def cents(name) = number(name)&.then { |value| (value * 100).round }

      def question
        {
          "repair" => {"lines" => repair_lines, "years_left" => number("years_left"), **yearly("a")}.compact,
          "replace" => {"cents" => cents("price"), "life_years" => number("life"), **yearly("b")}.compact,
          "rate" => number("rate")&.fdiv(100)
        }.compact
      end

      def yearly(which)
        {"yearly_repairs_cents" => cents("repairs_#{which}"), "yearly_energy_cents" => cents("energy_#{which}")}
      end

      def repair_lines
        return lines if lines.any?
        sum = cents("repair")
        faults["repair"] ||= "What does the repair cost?" if sum.nil?
        [{"what" => "repair", "cents" => sum || 0}]
      end

      FIELDS = {
        "repair.years_left" => "years_left", "repair.yearly_repairs_cents" => "repairs_a",
        "repair.yearly_energy_cents" => "energy_a", "replace.cents" => "price", "replace.life_years" => "life",
        "replace.yearly_repairs_cents" => "repairs_b", "replace.yearly_energy_cents" => "energy_b", "rate" => "rate"
      }.freeze
      private_constant :FIELDS

      def field_of(path)
        FIELDS.fetch(path, lines.empty? ? "repair" : "years_left")
      end
    end
  end
end
