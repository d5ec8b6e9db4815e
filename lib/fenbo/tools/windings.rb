# frozen_string_literal: true

module Fenbo
  module Tools
    define "windings", about: "Is a dead motor's winding whole and clear of ground?",
      tool: -> { Electrical::Windings },
      answer: Answer.of(
        spread_percent: Shape.maybe(Float),
        ohms_at_20c: Shape.maybe(Shape.by_name(Float)),
        insulation: String,
        faulty_pairs: [String]
      )
  end
end
