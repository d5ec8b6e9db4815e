# frozen_string_literal: true

module Fenbo
  module Tools
    define "capacitor", about: "Does a capacitor still hold what is printed on it?",
      tool: -> { Electrical::Capacitor },
      answer: Answer.of(
        low_uf: Float,
        high_uf: Float,
        measured_uf: Float
      )
  end
end
