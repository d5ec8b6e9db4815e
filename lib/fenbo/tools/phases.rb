# frozen_string_literal: true

module Fenbo
  module Tools
    define "phases", about: "Are the three legs alike, and does a high one belong to supply or motor?",
      tool: -> { Electrical::Phases },
      answer: Answer.of(
        volts: Shape.maybe(Shape.of(mean: Float, unbalance_percent: Float, verdict: String,
          derate: Shape.maybe(Float), extra_rise_percent: Shape.maybe(Float))),
        amps: Shape.maybe(Shape.of(mean: Float, unbalance_percent: Float, verdict: String, load: Shape.maybe(String),
          legs: Shape.maybe([Leg]))),
        lost_leg: Shape.maybe(String),
        high_leg_follows: Shape.maybe(String)
      )
  end
end
