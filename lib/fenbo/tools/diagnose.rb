# frozen_string_literal: true

module Fenbo
  module Tools
    proposal = Shape.of(test: String, minutes: Integer, state: String, gain: Float,
      outcomes: [Shape.of(outcome: String, chance: Float, leads_to: String,
        moves: Shape.of(cause: String, from: Float, to: Float))], again: Shape::FLAG)

    define "diagnose", about: "Which causes explain the findings, and which test is worth doing next?",
      tool: -> { Diagnosis::Diagnose },
      answer: Answer.of(
        causes: [Shape.of(id: String, probability: Float)],
        sets: [Shape.of(causes: [String], probability: Float)],
        healthy: Float,
        none_of_these: Float,
        next_tests: [proposal],
        before_leaving: [proposal],
        stop: Shape.maybe(String),
        contradictions: [Shape.of(test: String, outcome: String, would_fit: Shape.maybe(String), why: String)],
        decisive: Shape::FLAG,
        ledger: Shape.by_name(
          [Shape.of(test: String, outcome: Shape.maybe(String), factor: Float, strength: String)]
        ),
        experience: Shape.maybe(Shape.by_name(Shape.of(of_cause: Integer, jobs: Integer))),
        open: [Shape.of(tests: [String], why: String)],
        companions: [Shape.of(cause: String, with: String, kind: String, why: String, probability: Float,
          standing: String, look: Shape.maybe(String), minutes: Shape.maybe(Integer), risk_minutes: Integer)],
        withheld: [Shape.of(test: String, why: String)]
      )
  end
end
