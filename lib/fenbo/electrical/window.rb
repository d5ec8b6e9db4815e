# frozen_string_literal: true

module Fenbo
  module Electrical
    # The span of current (amps; watts for EC) that counts as within, with the
    # lines below it (nothing flows) and above it (stalled; nil when the motor
    # is known to turn). A reading on a line counts as on its better side.
    Window = Value.of(:low, :high, :none, locked: nil) do
      def verdict(value)
        return "none" if Tolerance.below?(value, none)
        return "under" if Tolerance.below?(value, low)
        return "within" if Tolerance.at_most?(value, high)
        return "locked" if locked && Tolerance.at_least?(value, locked)
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
