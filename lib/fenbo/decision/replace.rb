# frozen_string_literal: true

module Fenbo
  module Decision
    # Whether a unit is repaired or replaced, by what each costs a year.
    #
    # in:  repair {lines [{what, cents}], years_left, yearly_repairs_cents,
    #      yearly_energy_cents}, replace {cents, life_years, yearly_repairs_cents,
    #      yearly_energy_cents}, rate (interest, a share; null: the shop's)
    # out: repair {total_cents, yearly_cents}, replace {yearly_cents}, half_price_rule, verdict
    #      repair or replace, agree, break_even_years: how long the repair has to last for
    #      both to cost the same (null: no length of time does). Source: sourcing/replace.
    class Replace < Tool
      Question = Value.of(:lines, :years_left, :repair_yearly, :price_cents, :life_years, :replace_yearly, :rate)
      YEARS = {above: 0, at_most: 100}.freeze
      LONGEST = 200

      def self.read(input, limits)
        repair, replace = input.object("repair"), input.object("replace")
        Question.new(
          lines: repair.objects("lines", at_most: 200).map { |row|
            [row.text("what", longest: LONGEST), row.integer("cents", **MONEY)]
          },
          years_left: repair.number("years_left", **YEARS), repair_yearly: yearly(repair),
          price_cents: replace.integer("cents", **MONEY), life_years: replace.number("life_years", **YEARS),
          replace_yearly: yearly(replace),
          rate: input.number("rate", required: false, at_least: 0, at_most: 1) || limits["replace.rate"]
        )
      end

      # What comes every year beside the capital, nil where it could not be read.
      def self.yearly(input)
        %w[yearly_repairs_cents yearly_energy_cents].sum { |key| input.integer(key, required: false, **MONEY) || 0 }
      end

      def answer
        Result.new(verdict:, figures:, reasons:)
      end

      private

      def figures
        {repair: {total_cents:, yearly_cents: repair_cents.round}, replace: {yearly_cents: replace_cents.round},
         half_price_rule:, agree: verdict == half_price_rule, break_even_years: break_even&.round(1)}
      end

      def total_cents = question.lines.sum(&:last)

      def repair_cents
        capital(total_cents, question.years_left) + question.repair_yearly
      end

      def replace_cents
        capital(question.price_cents, question.life_years) + question.replace_yearly
      end

      # An annuity; without interest, evenly over the years.
      def capital(cents, years)
        return cents / years.to_f if question.rate.zero?
        cents * question.rate / (1 - (1 + question.rate)**-years)
      end

      def verdict = (repair_cents <= replace_cents) ? "repair" : "replace"

      def half_price_rule
        (total_cents < question.price_cents * limits["replace.half_price"]) ? "repair" : "replace"
      end

      # nil where a new one costs nothing.
      def share_of_price
        question.price_cents.zero? ? nil : (total_cents / question.price_cents.to_f).round(3)
      end

      # Years after which both cost the same.
      def break_even
        room = replace_cents - question.repair_yearly
        return nil unless room.positive? && total_cents.positive?
        return total_cents / room if question.rate.zero?
        share = total_cents * question.rate / room
        (share < 1) ? -Math.log(1 - share) / Math.log(1 + question.rate) : nil
      end

      def reasons
        [
          reason("A year repaired costs #{repair_cents.round / 100}, replaced #{replace_cents.round / 100}",
            "replace.yearly", value: (repair_cents / 100.0).round(2), source: "sourcing/replace"),
          limit_reason("The half-price rule says #{half_price_rule}", "replace.half_price",
            value: share_of_price),
          sensitivity
        ]
      end

      def sensitivity
        text =
          if break_even
            "Repairing costs less a year where it lasts over #{break_even.round(1)} years"
          else
            "However long the repair lasts, #{(verdict == "replace") ? "replacing" : "repairing"} costs less a year"
          end
        reason(text, "replace.break_even", value: break_even&.round(1), source: "sourcing/replace")
      end
    end
  end
end
