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

      # The limit that a grade has crossed, or stayed within.
      CROSSED = {
        volts: {"good" => "good", "watch" => "good", "correct" => "watch", "stop" => "correct"},
        amps: {"good" => "good", "watch" => "good", "fault" => "watch"}
      }.freeze
      LOAD = {
        "over" => "over its plate: correct it before the motor is left to run",
        "under" => "under its plate, which is not good news: blade, air path, or a motor too big for its load",
        "within" => "within its plate"
      }.freeze

      def list
        return [dead] if @phases.dead?
        [lost, no_current, volts, derating, amps, *load, meter, rolled].compact
      end

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
        measured = {"voltage" => @phases.question.volts, "current" => @phases.question.amps}.compact.keys
        limited(
          "No #{measured.join(" and no ")} on any leg: dead. Either it is not called, which reads the same, or it " \
          "has no supply: check the call, then disconnect, fuses and contactor",
          @phases.question.volts ? "balance.dead_volts" : "balance.dead_amps",
          (@phases.question.volts || @phases.question.amps).max
        )
      end

      def no_current
        if @phases.question.amps&.max&.zero?
          reason(
            "Voltage, and no current on any leg: open windings or protector, or an open connector behind the reading",
            "phases.no_current"
          )
        end
      end

      # Each leg that is off its plate, or that none of them is.
      def load
        legs = @phases.legs
        return [] if legs.empty?
        off = legs.each_with_index.reject { |leg, _| leg.verdict == "within" }
        return [load_reason("Every leg is #{LOAD["within"]}", "within", legs.map(&:ratio).max)] if off.empty?
        off.map { |leg, index| leg_reason(leg, OddLeg::LEGS[index]) }
      end

      def leg_reason(leg, name)
        if leg.verdict == "cannot_tell"
          return reason("Leg #{name}: this clamp cannot tell whether it is within its plate#{turns(leg)}",
            "meter.turns",
            value: leg.turns_needed)
        end
        verdict = (leg.verdict == "over") ? "over" : "under"
        load_reason("Leg #{name}: #{Quantities.rounded(leg.amps)} A is #{Quantities.rounded(leg.ratio)} × nameplate, " \
          "#{LOAD[verdict]}", verdict, leg.ratio)
      end

      def turns(leg)
        leg.turns_needed ? ": wrap #{leg.turns_needed} turns" : ": it takes a finer one"
      end

      def load_reason(text, verdict, ratio)
        return limited(text, "amps.window_low", ratio.round(3)) if verdict == "under"
        name, limit = @phases.highest
        return limited(text, name, ratio.round(3)) unless name == "service_factor"
        reason(text, name, limit:, value: ratio.round(3))
      end

      def volts
        verdict = @phases.volts_verdict or return
        limited(
          "Volts differ by #{percent(@phases.volts_unbalance)} from their mean: #{VOLTS[verdict]}",
          "balance.volts_#{CROSSED[:volts][verdict]}",
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
        limited(
          "Amps differ by #{percent(@phases.amps_unbalance)} from their mean: #{AMPS[verdict]}",
          "balance.amps_#{CROSSED[:amps][verdict]}",
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
