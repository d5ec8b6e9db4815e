# frozen_string_literal: true

module Fenbo
  module Tools
    define "charge", about: "Whether a refrigerant charge can be judged as things stand",
      tool: -> { Refrigerant::Charge },
      answer: Answer.of(waits_for: [String])
  end
end
