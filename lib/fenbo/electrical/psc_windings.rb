# frozen_string_literal: true

module Fenbo
  module Electrical
    # Run C–R, start C–S, and both in a row R–S.
    class PscWindings < WindingKind
      OPEN = {
        %w[cr cs] => ["open_protector", "Open only towards C: the internal protector is open"],
        %w[cr rs] => ["open_winding", "The run winding is open"],
        %w[cs rs] => ["open_winding", "The start winding is open"],
        %w[cr cs rs] => ["open_winding", "No path anywhere: windings or leads are open"]
      }.freeze

      def pattern
        return opened if @open.any?
        return incomplete if missing.any?
        sum_agrees? ? ordered : unequal
      end

      private

      def opened
        verdict, text = OPEN[@pairs & @open]
        if verdict && (missing.empty? || @open.size == 3)
          return found(verdict, "winding.open_pair", text, pairs: @open, spread: nil)
        end
        return incomplete if missing.any?
        found(
          "incomplete",
          "winding.impossible",
          "#{names(@open)} open and the others whole cannot be: measure again",
          pairs: @open,
          spread: nil
        )
      end

      def sum = @ohms["cr"] + @ohms["cs"]

      # How far R–S lies from C–R plus C–S, in %.
      def difference = sum.zero? ? 0.0 : 100.0 * (@ohms["rs"] - sum).abs / sum

      def sum_agrees?
        Tolerance.at_most?(difference, @limits["winding.equal"])
      end

      def unequal
        found(
          "unbalanced",
          "winding.equal",
          "R–S is #{difference.round(1)} % away from C–R plus C–S: a lead taken for another, or a winding " \
            "that is not whole",
          pairs: ["rs"],
          spread: difference
        )
      end

      def ordered
        if sum.zero?
          return (
            found(
              "shorted_turns",
              "winding.short",
              "No resistance at all: a dead short",
              pairs: @pairs,
              spread: difference
            )
          )
        end
        if @ohms["cs"] > @ohms["cr"]
          return (
            found("sound", "winding.equal", "R–S is C–R plus C–S within #{difference.round(1)} %", spread: difference)
          )
        end
        found(
          "watch",
          "winding.start_above_run",
          "C–S is not above C–R as it normally is: leads taken for each other, or turns shorted in the start winding",
          pairs: ["cs"],
          spread: difference
        )
      end
    end
  end
end
