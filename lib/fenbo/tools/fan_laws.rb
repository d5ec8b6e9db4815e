# frozen_string_literal: true

module Fenbo
  module Tools
    define "fan_laws", about: "What does another speed, diameter or pitch do to air and load?",
      tool: -> { Clearance::FanLaws },
      answer: Answer.of(
        air_ratio: Float,
        pressure_ratio: Float,
        power_ratio: Float,
        watts: Shape.maybe(Float)
      )
  end
end
