# frozen_string_literal: true

module Fenbo
  module Product
    # When the box passes the product's limit, if nothing is done.
    #
    #   T(t) = Te - (Te - T0)·e^(-t/tau)     temperatures in °C, times in hours
    #   tau  = dt ÷ ln((Te - T1)/(Te - T2))  from two readings dt hours apart
    #   t    = -tau·ln((Te - Tlimit)/(Te - T0))
    #
    # in:  now_c, end_c (where it drifts to), limit_c, and one of tau_hours,
    #      earlier {c, hours_ago} or family
    # out: tau_hours, tau_from, hours_to_limit; verdict waits | hours | past
    # Valid for a box drifting towards one steady temperature. Source: sourcing/product.
    class Clock < Tool
      Question = Value.of(:now_c, :end_c, :limit_c, :tau_hours, :earlier_c, :hours_ago, :family)
      TEMPERATURES = {at_least: -120, at_most: 120}.freeze

      def self.read(input, _limits)
        earlier = input.object("earlier", required: false)
        given = input.given?("earlier")
        known = input.given?("tau_hours") || given || input.given?("family")
        input.fault("tau_hours", "needs tau_hours, an earlier reading or the family") unless known
        Question.new(
          now_c: input.number("now_c", **TEMPERATURES),
          end_c: input.number("end_c", **TEMPERATURES),
          limit_c: input.number("limit_c", **TEMPERATURES),
          tau_hours: input.number("tau_hours", required: false, above: 0, at_most: 10_000),
          earlier_c: earlier.number("c", required: given, **TEMPERATURES),
          hours_ago: earlier.number("hours_ago", required: given, above: 0, at_most: 10_000),
          family: input.choice("family", Knowledge.table("families").keys, required: false)
        )
      end

      def answer
        return cannot_tell if tau.nil?
        Result.new(
          verdict:,
          figures: {
            tau_hours: tau.round(2),
            tau_from: tau_from,
            hours_to_limit: hours&.round(2)
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
          -tau * Math.log((question.end_c - question.limit_c).fdiv(question.end_c - question.now_c))
        end
      end

      def tau = question.tau_hours&.to_f || tau_of_readings || tau_of_family

      private

      def tau_from
        return "given" if question.tau_hours
        tau_of_readings ? "readings" : "family"
      end

      # nil where the two readings do not drift towards the end temperature.
      def tau_of_readings
        return nil unless question.earlier_c
        ratio = (question.end_c - question.earlier_c).fdiv(question.end_c - question.now_c)
        question.hours_ago / Math.log(ratio) if ratio.finite? && ratio > 1
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
                hours_to_limit: (0.0 if verdict == "past")
              },
              reasons:
            )
          )
        end
        Refusal.new(
          [["earlier.c", "the two readings do not drift towards #{question.end_c} °C; give tau_hours or the family"]]
        )
      end

      def reasons = [tau_reason, verdict_reason].compact

      def tau_reason
        return nil if tau.nil?
        case tau_from
        when "given"
          reason("Time constant as given", "product.tau", value: tau, source: "sourcing/product")
        when "readings"
          reason(
            "Time constant from two readings #{question.hours_ago} h apart",
            "product.tau",
            value: tau.round(2),
            source: "sourcing/product"
          )
        else
          family_reason
        end
      end

      def family_reason
        name = "product.#{Knowledge.table("families")[question.family]["hours"]}"
        why = question.earlier_c ? "The two readings do not drift towards the end temperature: the" : "The"
        limit_reason("#{why} family's usual time constant for a full box", name)
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
