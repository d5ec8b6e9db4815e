# frozen_string_literal: true

module Fenbo
  module Tools
    define "blades", about: "Which blade goes with the motor, and may the old one stay?",
      tool: -> { Matching::BladeChoice },
      answer: Answer.of(
        candidates: [Shape.of(part_no: Shape.maybe(String), grade: String, checks: [Check])],
        rejected: [Shape.of(part_no: Shape.maybe(String), checks: [Check])],
        old: [Check]
      )
  end
end
