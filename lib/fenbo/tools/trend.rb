# frozen_string_literal: true

module Fenbo
  module Tools
    define "trend", about: "Do a fan's amps creep over the years?",
      tool: -> { Electrical::Trend },
      answer: Answer.of(share_per_year: Shape.maybe(Float), meters_share: Shape.maybe(Float), watch: Shape::FLAG)
  end
end
