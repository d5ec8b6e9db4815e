# frozen_string_literal: true

module Fenbo
  module Tools
    define "product", about: "How long can the goods wait?",
      tool: -> { Product::Clock },
      answer: Answer.of(
        tau_hours: Float,
        tau_from: String,
        hours_to_limit: Shape.maybe(Float),
        hours_between: Shape.maybe([Shape.maybe(Float)])
      )
  end
end
