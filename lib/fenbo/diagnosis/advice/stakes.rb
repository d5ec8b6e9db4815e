# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What it costs, in minutes, to repair what is sound or to overlook a fault, by cause and for
    # one that is not known.
    class Stakes
      # @param causes [Array<Cause>] those worth a test, in the order of the sums
      def initialize(causes, limits)
        wrong_repair = limits["diagnosis.wrong_repair_minutes"]
        shares = Diagnosis.rules["wrong_repair"]
        @wrong = [*causes.map(&:part), "unknown"].map { |part| wrong_repair * shares.fetch(part || "nothing", 1.0) }
        @missed = limits["diagnosis.second_trip_minutes"]
      end

      def size = @wrong.size

      # Σ Mp·W(1 − p) ÷ (Mp + W(1 − p)): what is unlikely is at stake as an overlooked fault M,
      # what is likely as a wrong repair W. It bends down everywhere, so that to know more never costs.
      # @param sums [Array<Float>] of the weights under which each cause holds
      # @param total [Float] of all weights
      def lost(sums, total)
        c, sum = 0, 0.0
        while c < sums.size
          overlooked, wrong = @missed * sums[c], @wrong[c] * (total - sums[c])
          sum += overlooked * wrong / (overlooked + wrong) if overlooked > 0.0 && wrong > 0.0
          c += 1
        end
        sum
      end
    end
  end
end
