# frozen_string_literal: true

module Fenbo
  module Tools
    # What its answer holds.
    module ProcedureAnswer
      Step = Shape.of(
        id: String, phase: String, text: String, caution: [String], fasteners: Shape.maybe(Hash),
        transfer: Shape.maybe(String), measure: Shape.maybe(String), photo: Shape::FLAG, needs: [String],
        minutes: Integer, reverses: Shape.maybe(String), proof: [String]
      )
    end

    define "procedure", about: "The work plan: made safe, taken apart, exchanged, put back, proved",
      tool: -> { WorkPlan::Plan },
      answer: Answer.of(
        minutes: Integer,
        minutes_range: [Integer],
        tools: [String],
        safety_gate: [ProcedureAnswer::Step],
        steps: [ProcedureAnswer::Step],
        transfers: [String]
      )
  end
end
