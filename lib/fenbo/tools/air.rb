# frozen_string_literal: true

module Fenbo
  module Tools
    define "air", about: "Does the air that comes out of the coil tell of cooling?",
      tool: -> { Air },
      answer: Answer.of(difference_k: Float, outcome: Shape.maybe(String))
  end
end
