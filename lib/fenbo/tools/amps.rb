# frozen_string_literal: true

module Fenbo
  module Tools
    define "amps", about: "Does a running current fit the nameplate, and can this meter tell?",
      tool: -> { Electrical::Amps },
      answer: Answer.of(
        legs: [Leg],
        window: Shape.maybe(Span),
        turns_needed: Shape.maybe(Integer),
        voltage: Shape.maybe(Shape.of(ratio: Shape.maybe(Float), verdict: Shape.maybe(String))),
        voltage_shift: Shape.maybe(Shape.of(expected_amps: Float)),
        watts: Shape.maybe(Float),
        unbalance_percent: Shape.maybe(Float)
      )
  end
end
