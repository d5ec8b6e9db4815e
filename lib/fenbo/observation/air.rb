# frozen_string_literal: true

module Fenbo
  # Return air against discharge air at an evaporator.
  #
  # in:  return_c, discharge_c; coil_c, its temperature by touch or probe (may be null)
  # out: verdict normal | small | large | none_coil_cold | none_coil_warm | none,
  #      difference_k, outcome (of the test discharge_air_difference) or nil
  # Source: docs/sources.md, proof/first-run.
  class Air < Tool
    Question = Value.of(:return_c, :discharge_c, :coil_c)
    TEMPERATURES = {at_least: -120, at_most: 120}.freeze
    OUTCOMES = {
      "normal" => "normal", "large" => "normal", "none_coil_cold" => "near_zero_coil_cold",
      "none_coil_warm" => "near_zero_coil_warm"
    }.freeze

    def self.read(input, _limits)
      Question.new(return_c: input.number("return_c", **TEMPERATURES),
        discharge_c: input.number("discharge_c", **TEMPERATURES),
        coil_c: input.number("coil_c", required: false, **TEMPERATURES))
    end

    def answer
      Result.new(verdict:, figures: {difference_k: difference.round(2), outcome: OUTCOMES[verdict]}, reasons: [why])
    end

    def verdict
      return nothing if Tolerance.below?(difference, limits["air.none"])
      return "small" if Tolerance.below?(difference, limits["air.difference_low"])
      Tolerance.above?(difference, limits["air.difference_high"]) ? "large" : "normal"
    end

    private

    def difference = question.return_c - question.discharge_c

    # No difference: no air through a cold coil, or nothing that cools it.
    def nothing
      return "none" if question.coil_c.nil?
      cold = Tolerance.at_least?(question.return_c - question.coil_c, limits["air.coil_cold"])
      cold ? "none_coil_cold" : "none_coil_warm"
    end

    WORDS = {
      "normal" => ["it cools as usual", "air.difference_low"],
      "small" => ["less than usual: little refrigeration, or much air", "air.difference_low"],
      "large" => ["more than usual: little air, or a wet start", "air.difference_high"],
      "none" => ["nothing: feel the coil, it tells which", "air.none"],
      "none_coil_cold" => ["nothing with a cold coil: no air through it", "air.none"],
      "none_coil_warm" => ["nothing with a warm coil: no refrigeration", "air.none"]
    }.freeze
    private_constant :WORDS

    def why
      words, limit = WORDS.fetch(verdict)
      limit_reason("#{difference.round(1)} K between return and discharge, #{words}", limit, value: difference.round(2))
    end
  end
end
