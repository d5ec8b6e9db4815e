# frozen_string_literal: true

module Fenbo
  module Electrical
    # What the resistances of a motor's pairs say together: the verdict without
    # ground, the pairs it rests on, the rule and a sentence.
    WindingPattern = Value.of(:verdict, :rule, :text, pairs: [], spread_percent: nil)

    # One reading of the pairs a kind of motor; see Windings for the input.
    class WindingPattern
      class << self
        def of(question, limits)
          {"three_phase" => ThreePhase, "psc" => Psc, "shaded_pole" => ShadedPole}.fetch(question.kind)
            .new(question, limits)
            .pattern
        end

        # 100 × (largest − smallest) ÷ smallest; nil with fewer than two readings
        # or a dead short.
        def spread(values)
          return nil if values.size < 2 || values.min.zero?
          100.0 * (values.max - values.min) / values.min
        end
      end

      # What the three kinds share: their readings and how they say what they found.
      class Kind
        def initialize(question, limits)
          @ohms = question.ohms
          @open = question.open
          @pairs = Windings::PAIRS.fetch(question.kind)
          @limits = limits
        end

        private

        def measured = @ohms.keys + @open

        def missing = @pairs - measured

        def found(verdict, rule, text, pairs: [], spread: WindingPattern.spread(@ohms.values))
          WindingPattern.new(verdict:, rule:, text:, pairs:, spread_percent: spread)
        end

        def incomplete
          found(
            "incomplete",
            "winding.incomplete",
            "Not enough to tell: measure #{missing.map { |pair| name(pair) }.join(" and ")} too"
          )
        end

        def name(pair) = pair.upcase.chars.join("–")

        def names(pairs) = pairs.map { |pair| name(pair) }.join(" and ")
      end

      # Line to line: ab, bc, ca.
      class ThreePhase < Kind
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

      # Run C–R, start C–S, and both in a row R–S.
      class Psc < Kind
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

      # One winding.
      class ShadedPole < Kind
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
end
