# frozen_string_literal: true

module Fenbo
  module Electrical
    # One conductor's reading judged: the current, its error, its share of the
    # nameplate, the verdict, and how many turns through the jaw would settle it
    # where the meter cannot tell.
    Leg = Value.of(:amps, :error, :ratio, :verdict, turns_needed: nil) do
      # @param display [Float] what the meter shows, amps
      # @param most_turns [Integer] the most turns worth proposing
      def self.judge(display, turns:, meter:, nameplate:, window:, most_turns:)
        amps = display / turns.to_f
        verdict = window.verdict_of_span(amps, meter.error(amps, turns)) || "cannot_tell"
        new(
          amps:, error: meter.error(amps, turns), ratio: nameplate && amps / nameplate, verdict:,
          turns_needed: (settling_turns(amps, meter, window, most_turns) if verdict == "cannot_tell")
        )
      end

      # The fewest turns that give one verdict at the same true current.
      def self.settling_turns(amps, meter, window, most_turns)
        (1..most_turns).find { |turns| window.verdict_of_span(amps, meter.error(amps, turns)) }
      end

      def to_h
        {amps: amps.round(4), error: error.round(4), ratio: ratio&.round(3), verdict:, turns_needed:}
      end
    end
  end
end
