# frozen_string_literal: true

module Fenbo
  module Electrical
    # Says in words what Amps found: one method a matter, in the order shown.
    class AmpsReasons
      ORDER = %i[no_voltage voltage ec legs assumed_still cannot_tell shift balance].freeze

      MEANING = {
        "within" => "within the window",
        "over" =>
          "over the window: drag in the bearings, too much blade, blocked or reversed air, low voltage or " \
          "shorted turns",
        "under" =>
          "under the window, which is not good news: slipping or missing blade, no air path, weak capacitor " \
          "or a motor too big for its load",
        "none" => "as good as nothing: open winding, open protector or open connector",
        "locked" => "at locked-rotor current: the motor hums and does not turn"
      }.freeze

      def initialize(amps)
        @amps = amps
        @question = amps.question
        @limits = amps.limits
      end

      def list = ORDER.map { |matter| send(matter) }.flatten.compact

      private

      attr_reader :amps, :question, :limits

      def supply = question.supply

      def no_voltage
        unless supply.known?
          return (
            if amps.verdict == "none"
              reason("No voltage was measured with it: no current may only mean no supply", "voltage.unknown")
            end
          )
        end
        if supply.dead?
          reason(
            "There is no voltage at the motor: the supply is the first fault, the amps say nothing yet",
            "voltage.absent",
            value: supply.mean.round(1)
          )
        end
      end

      def voltage
        return if !supply.known? || supply.verdict == "in_range" || supply.dead?
        limited(
          "Supply is #{supply.verdict}, #{percent(supply.ratio)} of the nameplate: mend the voltage first, " \
          "the amps verdict is only provisional",
          "amps.volts_tolerance",
          supply.ratio.round(3)
        )
      end

      def ec
        return unless question.ec?
        [
          reason(
            "An EC motor's current is no sine: it takes a true-RMS meter, and it is judged by watts",
            "ec.by_watts",
            source: "electrical/window"
          ),
          averaging,
          ec_verdict
        ].compact
      end

      def averaging
        return if question.meter.true_rms != false
        reason(
          "This clamp is not true RMS: what it shows of an EC motor's current can be off by a third, so " \
          "watts from it are not to be trusted",
          "meter.true_rms",
          source: "electrical/meter"
        )
      end

      def ec_verdict
        unless amps.window
          return reason("Its nameplate watts are not given, so nothing can be judged", "ec.nameplate_watts")
        end
        unless amps.watts
          return (
            reason(
              "Read watts, or give the measured power factor; #{limits["power_factor.ec"]} would only be assumed",
              "ec.watts_needed",
              source: limits.source("power_factor.ec")
            )
          )
        end
        if amps.verdict == "under"
          return (
            reason(
              "Low watts may be the control's own wish: ask for full speed and read again",
              "watts.window_low",
              limit: amps.window.low.round(2),
              value: amps.watts.first.round(2),
              source: limits.source("watts.window_low")
            )
          )
        end
        name, limit = watts_line
        reason(
          "#{amps.watts.first.round(1)} W is #{MEANING.fetch(amps.verdict, "too close to a limit for this meter")}",
          name,
          limit: limit.round(2),
          value: amps.watts.first.round(2),
          source: limits.source(name)
        )
      end

      # The line of an EC motor's window that its verdict hangs on.
      def watts_line
        watts, error = amps.watts
        lines = {"amps.none" => amps.window.none, "watts.window_low" => amps.window.low,
                 "watts.window_high" => amps.window.high}
        return ["amps.none", amps.window.none] if amps.verdict == "none"
        return ["watts.window_high", amps.window.high] unless amps.verdict == "cannot_tell"
        lines.find { |_, line| (watts - line).abs <= error } || lines.to_a.last
      end

      # The lines of the window that a leg's error straddles, with their figures.
      def straddled(leg)
        named = {"amps.none" => amps.window.none, "amps.window_low" => amps.window.low, highest => amps.window.high}
        named["locked_ratio.#{question.family}"] = amps.window.locked if amps.window.locked
        named.select { |_, line| (leg.amps - line).abs <= leg.error }
      end

      # What the window ends by: a printed service factor, else the usual share.
      def highest
        used = %w[three_phase split_phase].include?(question.family) &&
          (question.service_factor || question.service_factor_amps)
        used ? "service_factor" : "amps.window_high"
      end

      def legs
        return [] if question.ec?
        amps.legs.each_with_index.filter_map { |leg, index| leg_reason(leg, index) unless leg.verdict == "cannot_tell" }
      end

      def leg_reason(leg, index)
        name = (amps.legs.size == 3) ? "Leg #{%w[a b c][index]}: " : ""
        line, limit = line_for(leg.verdict)
        Reason.new(
          text: "#{name}#{number(leg.amps)} A is #{number(leg.ratio)} × nameplate, #{MEANING.fetch(leg.verdict)}",
          rule: line,
          limit: limit.round(3),
          value: leg.amps.round(4),
          source: source(line)
        )
      end

      # A figure of the plate is no limit of the trade.
      def source(line)
        (line == "service_factor") ? "electrical/window" : limits.source(line)
      end

      def line_for(verdict)
        case verdict
        when "none"
          ["amps.none", amps.window.none]
        when "under"
          ["amps.window_low", amps.window.low]
        when "locked"
          ["locked_ratio.#{question.family}", amps.locked_amps]
        else
          [highest, amps.window.high]
        end
      end

      def assumed_still
        return unless amps.verdict == "locked" && question.turning.nil?
        reason(
          "Nobody said whether it turns: taken as standing still, since a turning motor seldom draws this much",
          "locked.assumed"
        )
      end

      def cannot_tell
        return unless amps.verdict == "cannot_tell"
        [*(straddles unless question.ec?), remedy]
      end

      # One for each limit that some leg may lie on either side of.
      def straddles
        amps
          .legs
          .select { |leg| leg.verdict == "cannot_tell" }
          .flat_map { |leg| straddled(leg).map { |name, line| [name, line, leg] } }
          .uniq(&:first)
          .map do |name, line, leg|
            Reason.new(
              text:
                "The meter's error straddles #{number(line)} A (#{question.meter}), so it cannot be told on which " \
                  "side of it the reading lies",
              rule: name,
              limit: line.round(3),
              value: leg.amps.round(4),
              source: source(name)
            )
          end
      end

      def remedy
        return reason("Needs a wattmeter, or a finer clamp", "meter.finer", source: "electrical/meter") if question.ec?
        unless amps.turns_needed
          return (
            reason(
              "Needs a finer meter: #{limits["amps.most_turns"]} turns would not settle it either",
              "meter.finer",
              source: "electrical/meter"
            )
          )
        end
        Reason.new(
          text:
            "Wrap #{amps.turns_needed} turns through the jaw and read again: the count error is divided by the turns",
          rule: "meter.turns",
          value: amps.turns_needed,
          source: "electrical/meter"
        )
      end

      def shift
        expected = supply.expected_amps(question.nameplate_amps)
        return if expected.nil? || question.ec? || (supply.ratio - 1).abs < 0.005
        reason(
          "At this voltage a loaded motor would draw about #{number(expected)} A instead of " \
          "#{number(question.nameplate_amps)} A; an approximation, judged as read",
          "voltage.shift",
          value: expected.round(3),
          source: "schools/voltage"
        )
      end

      def balance
        share = amps.unbalance_percent or return
        limited(
          "Legs differ by #{share.round(1)} % from their mean",
          (share > limits["balance.amps_watch"]) ? "balance.amps_watch" : "balance.amps_good",
          share.round(2)
        )
      end

      def reason(text, rule, **rest)
        Reason.new(text:, rule:, source: "electrical/window", **rest)
      end

      def limited(text, name, value)
        Reason.new(text:, rule: name, limit: limits[name], value:, source: limits.source(name))
      end

      def number(value) = format("%.3g", value)

      def percent(ratio) = "#{(ratio * 100).round} %"
    end
  end
end
