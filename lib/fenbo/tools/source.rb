# frozen_string_literal: true

module Fenbo
  module Tools
    # What its answer holds.
    module SourceAnswer
      # Money in whole cents, `finish_at` a local time without zone.
      Option = Shape.of(
        offer: String, stopgap: Shape.maybe(String), finish_at: String, total_cents: Integer,
        lines: [Shape.of(what: String, cents: Integer)], product_loss_cents: Integer, margin_hours: Shape.maybe(Float),
        frontier: Shape::FLAG, second_trip: Shape::FLAG, overtime: Shape::FLAG,
        ready_at: Shape.maybe(String), start_at: Shape.maybe(String)
      )

      # What a rule forbids ("overtime"), or what cannot be had, with why.
      RuledOut = Shape.of(
        offer: String, rule: String, start_at: Shape.maybe(String), finish_at: Shape.maybe(String),
        total_cents: Shape.maybe(Integer)
      )
    end

    define "source", about: "Where to get the part, and when would it be done?",
      tool: -> { Sourcing::Source },
      answer: Answer.of(
        options: [SourceAnswer::Option], ruled_out: Shape.maybe([SourceAnswer::RuledOut])
      )
  end
end
