# frozen_string_literal: true

module Fenbo
  module Electrical
    # Three windings, line to line: ab, bc, ca.
    class ThreePhaseWindings < WindingKind
      def pattern
        return opened if @open.any?
        return incomplete if missing.any?
        shorted || doubled || spread_out
      end

      private

      def opened
        if @open.size == 3
          return found("open_protector", "winding.all_open", "All pairs open: protector or leads", pairs: @open)
        end
        return incomplete if @open.size == 2 && missing.any?
        corner = (@open.first.chars & @open.last.chars).first
        text =
          if @open.size == 2
            "One pair whole, two open: the winding or lead at #{corner.upcase} is open"
          else
            "#{name(@open.first)} shows no path: an open winding"
          end
        found("open_winding", "winding.open_pair", text, pairs: @open)
      end

      # One about double, the other two alike: a delta winding is open.
      def doubled
        pair, ohms = @ohms.max_by(&:last)
        others = @ohms.except(pair).values
        ratio = ohms / (others.sum / 2.0)
        return unless alike?(others) && Tolerance.between?(ratio, @limits["winding.double_low"],
          @limits["winding.double_high"])
        found(
          "open_winding",
          "winding.double_low",
          "#{name(pair)} is #{ratio.round(1)} × the others, which agree: a delta winding is open",
          pairs: [pair]
        )
      end

      # One clearly low, the other two alike.
      def shorted
        pair, ohms = @ohms.min_by(&:last)
        others = @ohms.except(pair).values
        apart = ohms.zero? ? Float::INFINITY : 100.0 * (others.min - ohms) / ohms
        return unless alike?(others) && Tolerance.above?(apart, @limits["winding.fault"])
        found(
          "shorted_turns",
          "winding.fault",
          "#{name(pair)} is clearly lower than the other two, which agree: shorted turns",
          pairs: [pair]
        )
      end

      def spread_out
        spread = WindingPattern.spread(@ohms.values) || 0.0
        if Tolerance.at_most?(spread, @limits["winding.equal"])
          return found("sound", "winding.equal", "The pairs agree within #{spread.round(1)} %")
        end
        if Tolerance.at_most?(spread, @limits["winding.fault"])
          return found("watch", "winding.equal", "The pairs lie #{spread.round(1)} % apart: watch it")
        end
        found(
          "unbalanced",
          "winding.fault",
          "The pairs lie #{spread.round(1)} % apart, and no single one explains it",
          pairs: @pairs
        )
      end

      # A single high pair is no short, so the two low ones need to agree as well.
      def alike?(values)
        values.min.positive? && Tolerance.at_most?(WindingPattern.spread(values), @limits["winding.equal"])
      end
    end
  end
end
