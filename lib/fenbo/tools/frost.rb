# frozen_string_literal: true

module Fenbo
  module Tools
    define "frost", about: "Where does the frost lie, and what does that argue for?",
      tool: -> { Frost::Reading },
      answer: Answer.of(
        features: Shape.of(coverage: Float, blockage: Float, mean: Float, evenness: Float, feed_bias: Float,
          bottom_bias: Float, zones: [Shape.of(position: String, contrast: Shape.maybe(Float))]),
        signatures: [Weight]
      )
  end
end
