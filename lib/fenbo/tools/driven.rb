# frozen_string_literal: true

module Fenbo
  module Tools
    define "driven", about: "Does it follow its control through every step?",
      tool: -> { Proof::Driven },
      answer: Answer.of(steps: [Shape.of(at: Float, share: Float)], stands_at: Shape.maybe(Float))
  end
end
