# frozen_string_literal: true

module Fenbo
  module Tools
    define "cleaning", about: "What did the cleaning do, and does the unit soil faster than it is cleaned?",
      tool: -> { Proof::Cleaning },
      answer: Answer.of(removed: Integer, repeat_offender: Shape::FLAG, interval_days: Shape.maybe(Integer))
  end
end
