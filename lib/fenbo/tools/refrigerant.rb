# frozen_string_literal: true

module Fenbo
  module Tools
    define "refrigerant", about: "What a circuit took and gave, and how fast it leaks",
      tool: -> { Refrigerant::Ledger },
      answer: Answer.of(
        added_kg: Float,
        recovered_kg: Float,
        last_addition: Shape.maybe(Shape.of(kg: Float, share: Float, days: Integer, annual_rate_percent: Float,
          on: String))
      )
  end
end
