# frozen_string_literal: true

module Fenbo
  module Electrical
    # Says in words what Phases found.
    class PhasesReasons
      VOLTS = {
        "good" => "the supply is even",
        "watch" => "watch it",
        "correct" => "correct the supply, and derate the motor until then",
        "stop" => "do not run the motor on it"
      }.freeze
      AMPS = {
        "good" => "the legs are even",
        "watch" => "watch them",
        "fault" => "a fault: roll the leads to see whether supply or motor"
      }.freeze
      FOLLOWS = {
        "supply" => "The high leg stayed with the line when the leads were rolled: it is the supply",
        "motor" => "The high leg moved with the lead: it is the motor or its leads",
        "unclear" => "Rolling the leads does not decide: no leg stands out both times"
      }.freeze

      def initialize(phases)
        @phases = phases
        @limits = phases.limits
      end

      def list = [lost, dead, volts, derating, amps, meter, rolled].compact

      private

      def lost
        leg = @phases.lost_leg or return
        limited(
          "Leg #{leg} carries next to nothing while the others do: a lost phase. Stop the motor",
          "balance.lost_leg",
          nil
        )
      end

      def dead
        if @phases.question.amps&.max&.zero?
          reason(
            "No current flows on any leg: a stage that is off on purpose reads the same, check the call first",
            "phases.no_current"
          )
        end
      end

      def volts
        verdict = @phases.volts_verdict or return
        return reason("There is no voltage on any leg", "phases.no_voltage") if @phases.question.volts.sum.zero?
        name = (verdict == "stop") ? "balance.volts_correct" : "balance.volts_#{verdict}"
        limited(
          "Volts differ by #{percent(@phases.volts_unbalance)} from their mean: #{VOLTS[verdict]}",
          name,
          @phases.volts_unbalance.round(2)
        )
      end

      def derating
        return unless @phases.volts_unbalance && @phases.volts_unbalance > @limits["balance.volts_good"]
        share = @phases.derate
        rise = "the windings run about #{@phases.extra_rise_percent.round} % hotter"
        reason(
          share ? "Load the motor to no more than #{(share * 100).round} %; #{rise}" : "Beyond any derating; #{rise}",
          "balance.derating",
          value: share&.round(3),
          limit: nil
        )
      end

      def amps
        verdict = @phases.amps_verdict or return
        name = (verdict == "good") ? "balance.amps_good" : "balance.amps_watch"
        limited(
          "Amps differ by #{percent(@phases.amps_unbalance)} from their mean: #{AMPS[verdict]}",
          name,
          @phases.amps_unbalance.round(2)
        )
      end

      # A limit closer than the meter's own error is not settled by it.
      def meter
        error, unbalance = @phases.meter_percent, @phases.amps_unbalance
        unless error &&
            [@limits["balance.amps_good"], @limits["balance.amps_watch"]].any? { |limit|
              (unbalance - limit).abs < error
            }
          return
        end
        reason(
          "This clamp's own error (#{@phases.question.meter}) could make or hide #{percent(error)}: wrap " \
          "more turns through the jaw",
          "meter.turns",
          value: error.round(2)
        )
      end

      def rolled
        follows = @phases.high_leg_follows or return
        reason(FOLLOWS.fetch(follows), "phases.rolled")
      end

      def percent(value) = "#{value.round(1)} %"

      def reason(text, rule, **rest)
        Reason.new(text:, rule:, source: "electrical/three-phase", **rest)
      end

      def limited(text, name, value)
        Reason.new(text:, rule: name, limit: @limits[name], value:, source: @limits.source(name))
      end
    end
  end
end
