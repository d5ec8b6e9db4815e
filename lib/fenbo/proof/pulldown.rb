# frozen_string_literal: true

module Fenbo
  module Proof
    # Is the box on its way to the setpoint, and when will it be there?
    #
    # in:  setpoint_c, readings [{minute, c}, …]
    # out: verdict on_course | stalls_above | rising | too_early; tau_minutes,
    #      settles_c, arrives_minute (within 1 K of the setpoint, on the readings' own
    #      count of minutes), rmse_c; all nil where no curve can be fitted
    # Valid for one undisturbed approach: no defrost, no door left open.
    # Source: docs/sources.md, proof/pull-down.
    class Pulldown < Tool
      Question = Value.of(:setpoint_c, :minutes, :celsius)
      TEMPERATURES = {at_least: -120, at_most: 120}.freeze

      def self.read(input, _limits)
        rows =
          input
            .objects("readings")
            .map do |row|
              [row.number("minute", at_least: -1_000_000, at_most: 1_000_000), row.number("c", **TEMPERATURES)]
            end
        rows
          .each_cons(2)
          .with_index(1) do |(one, other), index|
            if one.first && other.first && other.first <= one.first
              input.fault("readings.#{index}.minute", "comes before the reading above it, or at the same time")
            end
          end
        Question.new(
          setpoint_c: input.number("setpoint_c", **TEMPERATURES),
          minutes: rows.map(&:first),
          celsius: rows.map(&:last)
        )
      end

      def answer = Result.new(verdict:, figures:, reasons:)

      def verdict
        return "too_early" if missing
        return "rising" if rising?
        return "too_early" if fallen < limits["pulldown.least_fall"]
        (curve.settles_c <= target) ? "on_course" : "stalls_above"
      end

      # The fitted curve; nil where there is none to fit.
      def curve
        unless missing
          @curve ||=
            Cooling.fit(
              question.minutes.map { |minute| (minute - question.minutes.first).to_f },
              question.celsius.map(&:to_f)
            )
        end
      end

      # °C that counts as arrived.
      def target = question.setpoint_c + limits["pulldown.arrived"]

      private

      def fallen = question.celsius.first - question.celsius.last

      def span = question.minutes.last - question.minutes.first

      # What there is too little of, in words.
      def missing
        readings, minutes = limits["pulldown.least_readings"], limits["pulldown.least_minutes"]
        if question.minutes.size < readings
          return "pulldown.least_readings", "#{question.minutes.size} readings; it takes #{readings}"
        end
        if span < minutes
          ["pulldown.least_minutes", "The readings span #{Quantities.tidy(span)} min; it takes #{minutes}"]
        end
      end

      # Over its first reading, or well over its lowest again.
      def rising?
        -fallen >= limits["pulldown.rise"] || question.celsius.last - question.celsius.min >= limits["pulldown.turned"]
      end

      def fitted? = %w[on_course stalls_above].include?(verdict)

      def arrives_minute
        after = curve.reaches(target) if verdict == "on_course"
        after && question.minutes.first + after
      end

      def figures
        return {tau_minutes: nil, settles_c: nil, arrives_minute: nil, rmse_c: nil} unless fitted?
        {
          tau_minutes: curve.tau_minutes.round(1),
          settles_c: curve.settles_c.round(2),
          arrives_minute: arrives_minute&.round(1),
          rmse_c: curve.rmse_c.round(3)
        }
      end

      def reasons
        return [limit_reason("#{missing.last}: too early to tell", missing.first)] if missing
        case verdict
        when "rising"
          [
            limit_reason(
              "The box is warmer than it was: it is not being pulled down",
              "pulldown.rise",
              value: question.celsius.last
            )
          ]
        when "too_early"
          [
            limit_reason(
              "It has fallen by #{fallen.round(1)} K: no curve shows yet",
              "pulldown.least_fall",
              value: fallen.round(2)
            ),
            *there_already
          ]
        else
          [course_reason, fit_reason]
        end
      end

      def there_already
        return [] unless question.celsius.last <= target
        [
          limit_reason(
            "It stands within #{limits["pulldown.arrived"]} K of the setpoint: there is nothing left to pull down",
            "pulldown.arrived",
            value: question.celsius.last
          )
        ]
      end

      def course_reason
        text = (verdict == "on_course") ? "It heads for #{settling} and arrives#{wait_words}" : stalled_words
        reason(text, "pulldown.arrived", value: curve.settles_c.round(2), limit: target,
          source: limits.source("pulldown.arrived"))
      end

      def settling = "#{curve.settles_c.round(1)} °C"

      def wait_words
        return "" unless arrives_minute
        " #{(arrives_minute - question.minutes.last).ceil.clamp(0..)} min after the last reading"
      end

      def stalled_words
        "It will settle at #{settling}, above the setpoint of #{question.setpoint_c} °C: look for a second cause"
      end

      def fit_reason
        reason(
          "Curve through #{question.minutes.size} readings, time constant #{curve.tau_minutes.round} min, " \
          "readings lie #{curve.rmse_c.round(2)} K beside it",
          "pulldown.fit",
          value: curve.rmse_c.round(3),
          source: "proof/pull-down"
        )
      end
    end
  end
end
