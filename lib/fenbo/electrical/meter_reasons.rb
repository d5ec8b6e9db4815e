# frozen_string_literal: true

module Fenbo
  module Electrical
    # Which lines of the window the meter's error straddles, and what would settle it: more
    # turns through the jaw, or a finer meter.
    class MeterReasons
      include AmpsWords

      # @return [Array<Reason>]
      def list = [*(straddles unless question.ec?), remedy]

      private

      # One for each limit that some leg may lie on either side of.
      def straddles
        unsure = amps.legs.select { |leg| leg.verdict == "cannot_tell" }
        unsure.flat_map { |leg| straddled(leg).map { |name, line| [name, line, leg] } }
          .uniq(&:first).map { |name, line, leg| straddle(name, line, leg) }
      end

      def straddle(name, line, leg)
        text = "The meter's error straddles #{number(line)} A (#{question.meter}), so it cannot be told on which " \
          "side of it the reading lies"
        Reason.new(text:, rule: name, limit: line.round(3), value: leg.amps.round(4), source: source(name))
      end

      def remedy
        return finer("Needs a wattmeter, or a finer clamp") if question.ec?
        turns = amps.turns_needed
        return finer("Needs a finer meter: #{limits["amps.most_turns"]} turns would not settle it either") unless turns
        Reason.new(
          text: "Wrap #{turns} turns through the jaw and read again: the count error is divided by the turns",
          rule: "meter.turns", value: turns, source: "electrical/meter"
        )
      end

      def finer(text) = reason(text, "meter.finer", source: "electrical/meter")

      # The lines of the window that a leg's error straddles, with their figures.
      def straddled(leg)
        named = {"amps.none" => amps.window.none, "amps.window_low" => amps.window.low, highest => amps.window.high}
        named["locked_ratio.#{question.family}"] = amps.window.locked if amps.window.locked
        named.select { |_, line| (leg.amps - line).abs <= leg.error }
      end
    end
  end
end
