# frozen_string_literal: true

module Fenbo
  module Electrical
    # What an EC motor's watts say, which is judged by them alone.
    class EcReasons
      include AmpsWords

      # @return [Array<Reason>]
      def list
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

      private

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
        return no_plate unless amps.window
        return no_watts unless amps.watts
        return low if amps.verdict == "under"
        name, limit = watts_line
        said = MEANING.fetch(amps.verdict, "too close to a limit for this meter")
        judged("#{amps.watts.first.round(1)} W is #{said}", name, limit)
      end

      def no_plate
        reason("Its nameplate watts are not given, so nothing can be judged", "ec.nameplate_watts")
      end

      def no_watts
        reason("Read watts, or give the measured power factor; #{limits["power_factor.ec"]} would only be assumed",
          "ec.watts_needed", source: limits.source("power_factor.ec"))
      end

      def low
        judged("Low watts may be the control's own wish: ask for full speed and read again", "watts.window_low",
          amps.window.low)
      end

      def judged(text, name, limit)
        reason(text, name, limit: limit.round(2), value: amps.watts.first.round(2), source: limits.source(name))
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
    end
  end
end
