# frozen_string_literal: true

module Fenbo
  module Tools
    define "neighbour", about: "Change the neighbour's motor on this visit, or when it fails?",
      tool: -> { Decision::Neighbour },
      answer: Answer.of(fail_chance: Float, now_cents: Integer, later_cents: Integer, tips_at: Shape.maybe(Float))
  end
end
