# frozen_string_literal: true

module Fenbo
  module Tools
    define "replace", about: "Repair the unit or replace it, by what each costs a year?",
      tool: -> { Decision::Replace },
      answer: Answer.of(
        repair: Shape.of(total_cents: Integer, yearly_cents: Integer),
        replace: Shape.of(yearly_cents: Integer),
        half_price_rule: String,
        agree: Shape::FLAG,
        break_even_years: Shape.maybe(Float)
      )
  end
end
