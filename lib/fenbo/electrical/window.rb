# frozen_string_literal: true

module Fenbo
  module Electrical
    # The span of current (amps; watts for EC) that counts as within, with the
    # lines below it (nothing flows) and above it (stalled; nil when the motor
    # is known to turn). A reading on a line counts as on its better side.
    Window = Value.of(:low, :high, :none, locked: nil) do
      # Two readings closer than this share of the window are the same reading.
      def slack = high * 1e-9

      def verdict(value)
        return "none" if value < none - slack
        return "under" if value < low - slack
        return "within" if value <= high + slack
        return "locked" if locked && value >= locked - slack
        "over"
      end

      # The one verdict of the whole span value ± error, or nil when it
      # straddles a line.
      def verdict_of_span(value, error)
        ends = [verdict(value - error), verdict(value + error)].uniq
        ends.first if ends.one?
      end
    end
  end
end
