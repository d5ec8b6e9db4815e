# frozen_string_literal: true

module Fenbo
  module Electrical
    # One winding.
    class ShadedPoleWinding < WindingKind
      def pattern
        if @open.any?
          return (
            found(
              "open_winding",
              "winding.open_pair",
              "No path: an open shaded-pole winding means a dead motor",
              pairs: @open
            )
          )
        end
        return incomplete if missing.any?
        if @ohms["ab"].zero?
          return found("shorted_turns", "winding.short", "No resistance at all: a dead short", pairs: @pairs)
        end
        found(
          "sound",
          "winding.path",
          "It has a path of #{Quantities.tidy(@ohms["ab"])} Ω; whether turns are shorted only its amps or " \
            "a twin can tell"
        )
      end
    end
  end
end
