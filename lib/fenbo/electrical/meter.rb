# frozen_string_literal: true

module Fenbo
  module Electrical
    # A clamp meter's stated accuracy, ±(percent of reading + counts × resolution).
    # The conductor wrapped n times through the jaw shows n times the current, so
    # the counts part of the error shrinks by n.
    #   error_a = percent/100 × amps + counts × resolution ÷ n
    # true_rms is nil where nobody said.
    Meter = Value.of(percent: 0.0, counts: 0, resolution: 0.0, true_rms: nil) do
      def self.read(input)
        new(
          percent: input.number("percent", required: false, at_least: 0, at_most: 100) || 0.0,
          counts: input.number("counts", required: false, at_least: 0, at_most: 10_000) || 0,
          resolution: input.number("resolution", required: false, at_least: 0, at_most: 1_000) || 0.0,
          true_rms: input.flag("true_rms")
        )
      end

      # @param amps [Float] the true current's estimate, display ÷ turns
      # @return [Float] error in amps
      def error(amps, turns)
        percent / 100.0 * amps + counts * resolution / turns.to_f
      end

      def exact? = percent.zero? && (counts * resolution).zero?

      def to_s = "±(#{percent} % + #{counts} × #{resolution} A)"
    end
  end
end
