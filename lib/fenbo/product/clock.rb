# frozen_string_literal: true

module Fenbo
  module Product
    # When the box passes the product's limit, if nothing is done.
    #
    #   T(t) = Te - (Te - T0)·e^(-t/tau)     temperatures in °C, times in hours
    #   tau  from readings: see Drift; dt ÷ ln((Te - T1)/(Te - T2)) from two, dt hours apart
    #   t    = -tau·ln((Te - Tlimit)/(Te - T0))
    #
    # in:  now_c, end_c (where it drifts to), limit_c, and one of tau_hours,
    #      earlier {c, hours_ago}, readings (a list of the like) or family
    # out: tau_hours, tau_from, hours_to_limit; hours_between: the soonest and the latest it may
    #      be, by the readings' error or the family's spread (latest nil: it may never);
    #      verdict waits | hours | past
    # Valid for a box drifting towards one steady temperature. Source: sourcing/product.
    class Clock < Tool
      Question = Value.of(:now_c, :end_c, :limit_c, :tau_hours, :earlier, :family)
      MOST_READINGS = 2_000
      TEMPERATURES = {at_least: -120, at_most: 120}.freeze

      def self.read(input, _limits)
        known = %w[tau_hours earlier readings family].any? { |key| input.given?(key) }
        input.fault("tau_hours", "needs tau_hours, an earlier reading or the family") unless known
        Question.new(
          now_c: input.number("now_c", **TEMPERATURES),
          end_c: input.number("end_c", **TEMPERATURES),
          limit_c: input.number("limit_c", **TEMPERATURES),
          tau_hours: input.number("tau_hours", required: false, above: 0, at_most: 10_000),
          earlier: read_earlier(input),
          family: input.choice("family", Knowledge.table("families").keys, required: false)
        )
      end

      # What was read before now: one reading, or a list of them.
      def self.read_earlier(input)
        one = [input.object("earlier")] if input.given?("earlier")
        (input.objects("readings", required: false, at_most: MOST_READINGS) + one.to_a).map do |row|
          Drift::Point.new(c: row.number("c", **TEMPERATURES),
            hours_ago: row.number("hours_ago", above: 0, at_most: 10_000))
        end
      end
      private_class_method :read_earlier

      def answer
        return cannot_tell if tau.nil?
        Result.new(
          verdict:,
          figures: {
            tau_hours: tau.round(2),
            tau_from: tau_from,
            hours_to_limit: hours&.round(2),
            hours_between: between&.map { |hours| hours&.round(2) }
          },
          reasons:
        )
      end

      # Box temperature after `hours`, °C.
      def temperature_after(hours)
        question.end_c - (question.end_c - question.now_c) * Math.exp(-hours / tau)
      end

      def verdict
        return "past" if question.now_c >= question.limit_c
        (question.end_c <= question.limit_c) ? "waits" : "hours"
      end

      def hours
        case verdict
        when "past"
          0.0
        when "hours"
          reach(tau, question.now_c)
        end
      end

      # Hours to the limit at the soonest and at the latest; nil where there is nothing to reckon.
      # @return [Array(Float, Float), Array(Float, nil), nil]
      def between
        return nil unless verdict == "hours"
        error = limits["product.reading_error"]
        soon, late = taus
        [reach(soon, [question.now_c + error, question.limit_c].min), late && reach(late, question.now_c - error)]
      end

      def tau = question.tau_hours&.to_f || tau_of_readings || tau_of_family

      private

      def tau_from
        return "given" if question.tau_hours
        tau_of_readings ? "readings" : "family"
      end

      # nil where the two readings do not drift towards the end temperature.
      def tau_of_readings = (drift.tau if question.earlier.any?)

      def drift
        @drift ||= Drift.new([*question.earlier, Drift::Point.new(hours_ago: 0, c: question.now_c)],
          end_c: question.end_c, error_c: limits["product.reading_error"])
      end

      def reach(tau, from_c)
        (tau * Math.log((question.end_c - question.limit_c).fdiv(question.end_c - from_c))).abs
      end

      # The fastest and the slowest it may drift; no slowest where the readings may as well stand still.
      def taus
        case tau_from
        when "given" then [tau, tau]
        when "family" then [1 - limits["product.family_spread"], 1 + limits["product.family_spread"]].map { |one|
          tau * one
        }
        else
          slowest = drift.rate - drift.rate_error
          [1 / (drift.rate + drift.rate_error), (1 / slowest if slowest.positive?)]
        end
      end

      def tau_of_family
        limits["product.#{Knowledge.table("families")[question.family]["hours"]}"].to_f if question.family
      end

      # Readings that do not drift and no family to fall back on.
      def cannot_tell
        unless verdict == "hours"
          return (
            Result.new(
              verdict:,
              figures: {
                tau_hours: nil,
                tau_from: nil,
                hours_to_limit: (0.0 if verdict == "past"),
                hours_between: nil
              },
              reasons:
            )
          )
        end
        Refusal.new(
          [[question.earlier.one? ? "earlier.c" : "readings",
            "the readings do not drift towards #{question.end_c} °C; give tau_hours or the family"]]
        )
      end

      def reasons = [tau_reason, verdict_reason].compact

      def tau_reason
        return nil if tau.nil?
        case tau_from
        when "given"
          reason("Time constant as given", "product.tau", value: tau, source: "sourcing/product")
        when "readings"
          reason(readings_words, "product.tau", value: tau.round(2), source: "sourcing/product")
        else
          family_reason
        end
      end

      def family_reason
        name = "product.#{Knowledge.table("families")[question.family]["hours"]}"
        why = question.earlier.any? ? "The readings do not drift towards the end temperature: the" : "The"
        limit_reason("#{why} family's usual time constant for a full box", name)
      end

      def readings_words
        apart = "#{question.earlier.map(&:hours_ago).max.round(2)} h apart"
        return "Time constant from two readings #{apart}" if question.earlier.one?
        "Time constant from #{question.earlier.size + 1} readings, first and last #{apart}"
      end

      def verdict_reason
        text = {
          "past" => "The box is at or over #{question.limit_c} °C already",
          "waits" => "It settles at #{question.end_c} °C and never passes #{question.limit_c} °C",
          "hours" =>
            "From #{question.now_c} °C towards #{question.end_c} °C it passes #{question.limit_c} °C in " \
            "#{hours&.round(1)} h"
        }.fetch(verdict)
        reason(text, "product.limit", limit: question.limit_c, value: question.now_c, source: "sourcing/product")
      end
    end
  end
end
