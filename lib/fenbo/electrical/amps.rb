# frozen_string_literal: true

module Fenbo
  module Electrical
    # Does a running current fit the nameplate, and can this meter tell?
    #
    # in:  {"motor": {"family", "nameplate_amps" A, "nameplate_volts" V, …},
    #       "reading": {"amps": [A as displayed], "volts": [V], "turns", "meter"}}
    # out: verdict within | over | under | none | locked | cannot_tell |
    #      not_by_amps, each leg's own, the window, the voltage beside it.
    # Source: docs/sources.md, electrical/window, electrical/meter.
    class Amps < Tool
      # Worst first: the overall verdict is that of the worst leg.
      SEVERITY = %w[locked none over under cannot_tell within].freeze
      VERDICTS = (SEVERITY + ["not_by_amps"]).freeze

      def self.read(input, limits)
        AmpsQuestion.read(input, limits)
      end

      def answer
        Result.new(verdict:, figures:, reasons: AmpsReasons.new(self).list)
      end

      def window
        @window ||= question.ec? ? watts_window : amps_window
      end

      def legs
        @legs ||= question.display.map do |display|
          question.ec? ? unjudged_leg(display) : judged_leg(display)
        end
      end

      # [watts, error] as far as they are known; see Watts.
      def watts = @watts ||= Watts.of(question, legs)

      def verdict
        return legs.map(&:verdict).min_by { |verdict| SEVERITY.index(verdict) } unless question.ec?
        return "not_by_amps" unless watts && window
        window.verdict_of_span(*watts) || "cannot_tell"
      end

      def turns_needed
        return nil unless verdict == "cannot_tell" && !question.ec?
        needed = legs.select { |leg| leg.verdict == "cannot_tell" }.map(&:turns_needed)
        needed.max unless needed.include?(nil)
      end

      def unbalance_percent
        Electrical.unbalance_percent(legs.map(&:amps)) if legs.size == 3
      end

      # The current from which a still motor is stalled, as a share of nameplate.
      def locked_amps
        question.locked_rotor_amps || limits["locked_ratio.#{question.family}"] * question.nameplate_amps
      end

      private

      def figures
        {
          legs: legs.map(&:to_h), window: window && {low: window.low.round(4), high: window.high.round(4)},
          turns_needed:, voltage: (question.supply.to_h if question.supply.known?),
          voltage_shift: voltage_shift, watts: watts&.first&.round(2),
          unbalance_percent: unbalance_percent&.round(2)
        }
      end

      def voltage_shift
        expected = question.supply.expected_amps(question.nameplate_amps)
        {expected_amps: expected.round(2)} if expected
      end

      def judged_leg(display)
        Leg.judge(display, turns: question.turns, meter: question.meter, window:,
          nameplate: question.nameplate_amps, most_turns: limits["amps.most_turns"])
      end

      def unjudged_leg(display)
        amps = display / question.turns.to_f
        Leg.new(amps:, error: question.meter.error(amps, question.turns), verdict: "not_by_amps",
          ratio: question.nameplate_amps && amps / question.nameplate_amps)
      end

      def amps_window
        nameplate = question.nameplate_amps
        Window.new(low: limits["amps.window_low"] * nameplate, high: highest_amps,
          none: limits["amps.none"] * nameplate, locked: (locked_amps unless question.turning))
      end

      # Three-phase and split-phase motors may use their service factor; the
      # others end at the usual window.
      def highest_amps
        usual = limits["amps.window_high"] * question.nameplate_amps
        return usual unless %w[three_phase split_phase].include?(question.family)
        return question.service_factor_amps if question.family == "split_phase" && question.service_factor_amps
        question.service_factor ? question.service_factor * question.nameplate_amps : usual
      end

      def watts_window
        nameplate = question.nameplate_watts or return nil
        Window.new(low: limits["watts.window_low"] * nameplate, high: limits["watts.window_high"] * nameplate,
          none: limits["amps.none"] * nameplate)
      end
    end
  end
end
