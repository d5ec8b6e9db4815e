# frozen_string_literal: true

module Fenbo
  module Tools
    define "pulldown", about: "Is the box on its way to the setpoint, and when is it there?",
      tool: -> { Proof::Pulldown },
      answer: Answer.of(
        tau_minutes: Shape.maybe(Float),
        settles_c: Shape.maybe(Float),
        arrives_minute: Shape.maybe(Float),
        rmse_c: Shape.maybe(Float)
      )
  end
end
