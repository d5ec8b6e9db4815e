# frozen_string_literal: true

require "forwardable"

module Fenbo
  module Clearance
    # Says in words where the hub may sit, what binds, and what is in the way.
    class FitReasons
      extend Forwardable
      include Reasoning

      # @param fit [Fit]
      def initialize(fit)
        @fit = fit
      end

      def list
        @fit.fits? ? [seated, bound, spaced, doubtful(close),
          gap].compact : [blocked, doubtful(close_miss), gap].compact
      end

      private

      def seated
        low, high = range.map { |mm| mm.round(1) }
        where =
          if question.old_seat_mm && seat == question.old_seat_mm
            "the old seat, #{seat.round(1)} mm,"
          else
            "a seat of #{seat.round(1)} mm"
          end
        reason(
          "The hub may sit from #{low} to #{high} mm off the motor's face; #{where} meets every condition",
          "fit.seat",
          value: seat.round(2),
          source: "motors/fit"
        )
      end

      def bound
        reason(
          "What binds is #{binding_one.words}, with #{binding_one.margin(seat).round(1)} mm to spare",
          "fit.binding",
          value: binding_one.margin(seat).round(2),
          source: "motors/fit"
        )
      end

      def spaced
        return nil if spacers.zero?
        reason(
          "#{spacers} × #{Quantities.tidy(question.spacer_mm)} mm under guard and orifice; one fewer is " \
          "short by #{tried[spacers - 1].shortfall.round(1)} mm",
          "fit.spacers",
          value: spacers,
          source: "motors/fit"
        )
      end

      # Within the error of a caliper both answers are possible.
      def doubtful(ids)
        return nil if ids.empty?
        margin = @fit.fits? ? binding_one.margin(seat) : -nearest.shortfall
        Reason.new(
          text:
            "Too close to call for #{ids.join(" and ")}: ±#{Quantities.tidy(tolerance)} mm of the caliper " \
            "decides; measure again before buying",
          rule: "fit.tolerance",
          limit: tolerance,
          value: margin.round(2),
          source: limits.source("fit.tolerance")
        )
      end

      def gap
        if tip_gap && !tip_gap.holds?
          reason(
            "Across the opening: #{tip_gap.words}",
            "fit.tip_gap",
            value: tip_gap.mm.round(2),
            source: "motors/blades"
          )
        end
      end

      def with_spacers
        if question.most_spacers.zero?
          ""
        else
          ", with #{tried.index(nearest)} of " \
          "#{(question.most_spacers == 1) ? "1 spacer" : "#{question.most_spacers} spacers"}"
        end
      end

      def blocked
        short = Quantities.tidy(nearest.shortfall.round(1))
        first, second = blocking
        text =
          if second.nil?
            "The shaft is #{short} mm too long for the guard"
          else
            "#{first.words.capitalize} and #{second.words} want #{short} mm more between them"
          end
        reason(
          "#{text}#{with_spacers}: an original part, a shorter shaft, or " \
          "#{question.most_spacers.zero? ? "spacers" : "more spacers"}",
          "fit.#{first.id}",
          value: nearest.shortfall.round(2),
          source: "motors/fit"
        )
      end

      def_delegators :@fit, :binding_one, :blocking, :close, :close_miss, :limits, :nearest, :question, :range, :seat,
        :spacers, :tip_gap, :tolerance, :tried
    end
  end
end
