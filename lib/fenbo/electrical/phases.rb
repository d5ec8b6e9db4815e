# frozen_string_literal: true

module Fenbo
  module Electrical
    # Are the three legs of a supply alike, in volts and in amps?
    #
    #   unbalance % = 100 × largest deviation from the mean ÷ mean
    #   extra temperature rise % = 2 × (unbalance %)², for volts
    #
    # in:  volts [ab, bc, ca], amps [a, b, c] and, after all three leads moved one
    #      step (a to b, b to c, c to a), rolled_amps by line; any may be null; the
    #      clamp's meter as for amps; nameplate_amps and service_factor to judge the load by
    # out: volts and amps with mean, unbalance and verdict, the load within | over | under by
    #      the worst leg (cannot_tell where the clamp straddles a limit, nil without a plate),
    #      the derating, the lost leg, whether the high leg follows supply or motor; verdict
    #      good | watch | correct | stop, the worst of all, or no_supply: dead, or not called
    # Source: docs/sources.md, electrical/three-phase.
    class Phases < Tool
      Question = Value.of(:volts, :amps, :rolled_amps, :meter, :nameplate_amps, :service_factor)
      ORDER = %w[good watch correct stop].freeze
      # Worst first; a leg that carries nothing is under.
      LOADS = {"over" => "over", "none" => "under", "under" => "under", "cannot_tell" => "cannot_tell"}.freeze

      def self.read(input, _limits)
        span = {sizes: [3], required: false, at_least: 0}
        volts = input.numbers("volts", at_most: MOST_VOLTS, **span)
        amps = input.numbers("amps", at_most: MOST_AMPS, **span)
        rolled = input.numbers("rolled_amps", at_most: MOST_AMPS, **span)
        unless input.given?("volts") || input.given?("amps")
          input.fault("volts", "needs the three volts, the three amps or both")
        end
        if input.given?("rolled_amps") && !input.given?("amps")
          input.fault("amps", "are needed beside rolled_amps, to compare with")
        end
        Question.new(
          volts:,
          amps:,
          rolled_amps: rolled,
          meter: Meter.read(input.object("meter", required: false)),
          nameplate_amps: input.number("nameplate_amps", required: false, above: 0, at_most: MOST_AMPS),
          service_factor: input.number("service_factor", required: false, above: 0, at_most: 3)
        )
      end

      def answer
        Result.new(verdict:, figures:, reasons: PhasesReasons.new(self).list)
      end

      def verdict
        return "no_supply" if dead?
        return "stop" if lost_leg
        [volts_verdict, (amps_verdict == "fault") ? "correct" : amps_verdict, ("correct" if load == "over")]
          .compact
          .max_by { |one| ORDER.index(one) }
      end

      # Next to nothing on any leg, whatever was measured: no supply, or not called.
      def dead?
        [question.volts&.all? { |volts| Tolerance.at_most?(volts, limits["balance.dead_volts"]) },
          question.amps&.all? { |amps| Tolerance.at_most?(amps, nothing) }].compact.all?
      end

      # What each leg's amps are of the plate, as `amps` judges a turning motor.
      def legs
        return [] unless question.nameplate_amps && question.amps
        @legs ||=
          question.amps.map do |amps|
            Leg.judge(amps, turns: 1, meter: question.meter, nameplate: question.nameplate_amps, window:,
              most_turns: limits["amps.most_turns"])
          end
      end

      def load
        return nil if legs.empty?
        found = legs.map(&:verdict)
        LOADS.find { |verdict, _| found.include?(verdict) }&.last || "within"
      end

      # From which line on the load is over, with the rule's name.
      def highest
        return ["service_factor", question.service_factor] if question.service_factor
        ["amps.window_high", limits["amps.window_high"]]
      end

      def window
        plate = question.nameplate_amps
        @window ||= Window.new(low: limits["amps.window_low"] * plate, high: highest.last * plate,
          none: limits["amps.none"] * plate)
      end

      def volts_unbalance
        question.volts && Electrical.unbalance_percent(question.volts)
      end

      def amps_unbalance
        question.amps && Electrical.unbalance_percent(question.amps)
      end

      def volts_verdict
        return nil unless question.volts
        return "no_supply" if dead?
        graded(
          volts_unbalance,
          "balance.volts_good" => "good",
          "balance.volts_watch" => "watch",
          "balance.volts_correct" => "correct"
        ) || "stop"
      end

      def amps_verdict
        return nil unless question.amps
        return "no_supply" if dead?
        graded(amps_unbalance, "balance.amps_good" => "good", "balance.amps_watch" => "watch") || "fault"
      end

      # Share of its rated load a motor may still be asked for; nil beyond the table.
      def derate
        return nil if question.volts.nil? || dead?
        table = Knowledge.table("derating")["volts_unbalance"]
        percent = volts_unbalance
        return 1.0 if percent <= table.first.first
        lower, upper = table.each_cons(2).find { |_, (end_percent, _)| Tolerance.at_most?(percent, end_percent) }
        upper && lower.last + (upper.last - lower.last) * (percent - lower.first) / (upper.first - lower.first)
      end

      # How many percent of unbalance the clamp's own error could make of even legs.
      def meter_percent
        mean = question.amps && question.amps.sum / 3.0
        100 * question.meter.error(mean, 1) / mean if mean&.positive? && !question.meter.exact?
      end

      def extra_rise_percent = question.volts && 2 * volts_unbalance**2

      # The leg that carries next to nothing while the others carry current.
      def lost_leg = odd_leg.lost

      # Which way the high leg went when the leads were rolled.
      def high_leg_follows = odd_leg.follows

      private

      # Amps that are none.
      def nothing
        plate = question.nameplate_amps
        [limits["balance.dead_amps"], *(limits["amps.none"] * plate if plate)].max
      end

      def graded(percent, steps)
        steps.find { |name, _| Tolerance.at_most?(percent, limits[name]) }&.last
      end

      def odd_leg = @odd_leg ||= OddLeg.new(question, limits)

      def figures
        {
          volts:
            question.volts &&
              {
                mean: mean(question.volts),
                unbalance_percent: volts_unbalance.round(2),
                verdict: volts_verdict,
                derate: derate&.round(3),
                extra_rise_percent: extra_rise_percent.round(1)
              },
          amps:
            question.amps &&
              {
                mean: mean(question.amps),
                unbalance_percent: amps_unbalance.round(2),
                verdict: amps_verdict,
                load:,
                legs: (legs.map(&:to_h) if legs.any?)
              },
          lost_leg:,
          high_leg_follows:
        }
      end

      def mean(values) = values.sum.fdiv(values.size).round(2)
    end
  end
end
