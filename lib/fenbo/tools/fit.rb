# frozen_string_literal: true

module Fenbo
  module Tools
    # What its answer holds.
    module FitAnswer
      # Millimetres; immersion and engagement are shares.
      Gaps =
        Shape.of(
          motor: Shape.maybe(Float),
          guard: Shape.maybe(Float),
          immersion: Shape.maybe(Float),
          engagement: Shape.maybe(Float)
        )
      Condition =
        Shape.of(
          id: String,
          words: String,
          low: Shape.maybe(Float),
          high: Shape.maybe(Float),
          margin: Shape.maybe(Float),
          holds: Shape::FLAG
        )
    end

    define "fit",
      about: "Where may the blade sit on the shaft, and does it clear?",
      tool: -> { Clearance::Fit },
      answer:
        Answer.of(
          spacers: Shape.maybe(Integer),
          seat: Shape.maybe(Float),
          seat_range: Shape.maybe([Float]),
          exposed_shaft: Shape.maybe(Float),
          clearances: Shape.maybe(FitAnswer::Gaps),
          binding: Shape.maybe(String),
          short_by_mm: Shape.maybe(Float),
          close: [String],
          shaft_range: Shape.maybe([Shape.maybe(Float)]),
          shown:
            Shape.of(
              seat: Float,
              spacers: Integer,
              holds: Shape::FLAG,
              exposed_shaft: Float,
              clearances: FitAnswer::Gaps,
              conditions: [FitAnswer::Condition]
            ),
          tip_gap: Shape.maybe(Shape.of(mm: Float, holds: Shape::FLAG, low: Float, high: Float))
        )
  end
end
