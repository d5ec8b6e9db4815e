# frozen_string_literal: true

module Fenbo
  module Tools
    # What its answer holds.
    module SourceAnswer
      # Money in whole cents, `finish_at` a local time without zone.
      Option = Shape.of(
        offer: String, stopgap: Shape.maybe(String), finish_at: String, total_cents: Integer,
        lines: [Shape.of(what: String, cents: Integer)], product_loss_cents: Integer, margin_hours: Shape.maybe(Float),
        frontier: Shape::FLAG, second_trip: Shape::FLAG, overtime: Shape::FLAG
      )
    end

    define "source", about: "Where to get the part, and when would it be done?",
      tool: -> { Sourcing::Source },
      answer: Answer.of(
        options: [SourceAnswer::Option]
      )
  end
end
