# frozen_string_literal: true

module Fenbo
  module Sound
    # The figures a recording is weighed by (knowledge/observation/hearing.yml), some of
    # them multiples of a limit the shop may change.
    class Hearing
      # @param limits [Limits]
      def initialize(limits)
        @limits = limits
        @rows = Knowledge.table("hearing")
      end

      # A single figure.
      def [](name) = @rows.fetch(name.to_s)["value"]

      # How far `value` has got from one edge to the other, 0 to 1.
      def fit(name, value)
        row = @rows.fetch(name.to_s)
        from, to = row["edges"]
        unit = row["of"] ? @limits[row["of"]] : 1.0
        ((value - from * unit) / ((to - from) * unit).to_f).clamp(0.0, 1.0)
      end
    end
  end
end
