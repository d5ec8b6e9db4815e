# frozen_string_literal: true

module Fenbo
  module Electrical
    # Says in words what Amps found: one method a matter, in the order shown; what an EC motor's
    # watts say is EcReasons', what the meter cannot tell MeterReasons'.
    class AmpsReasons
      include AmpsWords

      ORDER = %i[no_voltage voltage ec legs assumed_still cannot_tell shift balance].freeze

      def list = ORDER.map { |matter| send(matter) }.flatten.compact

      private

      def supply = question.supply

      def ec = question.ec? ? EcReasons.new(amps).list : []

      def cannot_tell
        (amps.verdict == "cannot_tell") ? MeterReasons.new(amps).list : []
      end

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
    end
  end
end
