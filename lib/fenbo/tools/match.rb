# frozen_string_literal: true

module Fenbo
  module Tools
    # What its answer holds.
    module MatchAnswer
      # Power in W at the shaft and in; ratios of new to old.
      Effects = Shape.of(
        old_output_w: Shape.maybe(Float), output_w: Shape.maybe(Float), air_ratio: Shape.maybe(Float),
        power_ratio: Shape.maybe(Float), old_watts: Shape.maybe(Float), watts: Shape.maybe(Float)
      )
      Kit = Shape.of(contents: [String], work: [String], leaves: [String])
      Candidate = Shape.of(
        part_no: Shape.maybe(String), grade: String, checks: [Check], extra_parts: [String], extra_minutes: Float,
        extra_work: [Hash], listed: Shape::FLAG, settings: [String], also: [String], transfers: [String],
        kit: Shape.maybe(Kit), effects: Effects
      )
    end

    define "match", about: "Which motors can take the place of the old one?",
      tool: -> { Matching::Match },
      answer: Answer.of(
        candidates: [MatchAnswer::Candidate],
        rejected: [Shape.of(part_no: Shape.maybe(String), checks: [Check])]
      )
  end
end
