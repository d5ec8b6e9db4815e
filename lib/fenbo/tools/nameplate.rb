# frozen_string_literal: true

module Fenbo
  module Tools
    define "nameplate", about: "What does a motor's plate say, and does it agree with itself?",
      tool: -> { Matching::Nameplate },
      answer: Answer.of(
        motor: Shape.by_name(Shape::ANY),
        read: [Shape.of(text: String, means: String, fields: [String])],
        unread: [String],
        worked_out: [Shape.of(field: String, value: Shape::ANY, from: String)],
        disagreements: [Shape.of(fields: [String], text: String)],
        asks: [String]
      )
  end
end
