# frozen_string_literal: true

module Fenbo
  module Tools
    # What its answer holds.
    module SpareAnswer
      Candidate = Shape.of(part_no: Shape.maybe(String), grade: String, compare: [String], checks: [Check],
        extra_work: [Hash], extra_minutes: Float)
    end

    define "spare", about: "Which listed parts can take the place of one that is no motor?",
      tool: -> { Matching::SpareMatch },
      answer: Answer.of(
        candidates: [SpareAnswer::Candidate],
        rejected: [Shape.of(part_no: Shape.maybe(String), checks: [Check])]
      )
  end
end
