# frozen_string_literal: true

module Fenbo
  module Tools
    define "energy", about: "What does a motor that takes less save in a year?",
      tool: -> { Matching::Energy },
      answer: Answer.of(
        saved_watts: Float,
        saved_kwh: Float,
        saved_cents: Integer,
        payback_years: Shape.maybe(Float),
        cop: Float
      )
  end
end
