# frozen_string_literal: true

module Fenbo
  module Clearance
    # Where the hub may sit on the shaft, with how many spacers, and what binds.
    #
    # in:  L, h, b_m, b_f, m, G, O, t, n_max, key {k0, k1, k}, old_seat, limits; mm,
    #      see Question; G, O, key, old_seat and limits may be null; tolerance of the
    #      caliper (null: 0.5), chosen {seat, spacers} to look at, D and blade_diameter_mm
    #      (widths of opening and blade: for the gap at the tips, no part of the verdict)
    # out: verdict fits | fits_with_spacers | does_not_fit, spacers, seat, seat_range,
    #      exposed_shaft, clearances, binding, short_by_mm; close: conditions that a
    #      caliper's error decides; shaft_range: lengths of shaft that would fit here;
    #      shown: the chosen seat, else the found one, else the nearest miss, as a Layout;
    #      tip_gap {mm, holds, low, high} or nil
    # Source: docs/sources.md, motors/fit.
    class Fit < Tool
      def self.read(input, limits) = Question.read(input, limits)

      def answer
        Result.new(verdict:, figures: fits? ? found : not_found, reasons:)
      end

      def verdict
        return "does_not_fit" unless fits?
        spacers.zero? ? "fits" : "fits_with_spacers"
      end

      # The fewest spacers that do; nil where none do.
      def spacers
        return @spacers if defined?(@spacers)
        @spacers = tried.index(&:met?)
      end

      # The old seat where it lies inside; else from the end next to it a little inward;
      # the middle where no old seat is known.
      def seat
        low, high = range
        old = question.old_seat_mm
        return (low + high) / 2.0 if old.nil?
        return old if old.between?(low, high)
        inward = limits["fit.inward"] * (high - low)
        (old < low) ? low + inward : high - inward
      end

      # What is drawn.
      def layout
        chosen = question.chosen
        return Layout.new(question:, seat: chosen.seat_mm, spacers: chosen.spacers) if chosen
        Layout.new(question:, seat: fits? ? seat : nearest_seat, spacers: fits? ? spacers : tried.index(nearest))
      end

      private

      def tried
        @tried ||= (0..question.most_spacers).map { |count| Conditions.new(question, count) }
      end

      def fits? = !spacers.nil?

      def conditions = tried[spacers]

      # Two demands that meet exactly leave one seat, whatever the arithmetic's last digit.
      def range = conditions.range.then { |low, high| [low, [low, high].max] }

      # With how many spacers least is missing.
      def nearest = @nearest ||= tried.min_by(&:shortfall)

      def blocking = nearest.blocking

      def binding_one
        @binding_one ||= conditions.all.min_by { |one| one.margin(seat) }
      end

      def tolerance = question.tolerance_mm || limits["fit.tolerance"]

      def close
        conditions.all.select { |one| Tolerance.below?(one.margin(seat), tolerance) }.map(&:id).uniq
      end

      # What blocks by less than the caliper's error may not block at all.
      def close_miss
        Tolerance.below?(nearest.shortfall, tolerance) ? blocking.map(&:id).uniq : []
      end

      # Where the blade would sit if it has to: clear of the motor, or where the rest allows.
      def nearest_seat
        low, high = nearest.range
        return low if low > high
        question.old_seat_mm ? question.old_seat_mm.clamp(low, high) : (low + high) / 2.0
      end

      def found
        {
          spacers:,
          seat: seat.round(2),
          seat_range: range.map { |mm| mm.round(2) },
          exposed_shaft: layout_found.exposed.round(2),
          clearances: layout_found.clearances,
          binding: binding_one.id,
          short_by_mm: 0,
          close:,
          **common
        }
      end

      def not_found
        {
          spacers: nil,
          seat: nil,
          seat_range: nil,
          exposed_shaft: nil,
          clearances: nil,
          binding: blocking.first.id,
          short_by_mm: nearest.shortfall.round(2),
          close: close_miss,
          **common
        }
      end

      def layout_found = Layout.new(question:, seat:, spacers:)

      def common
        {shaft_range: Conditions.shafts(tried)&.map { |mm| mm&.round(2) }, shown: layout.to_h, tip_gap: tip_gap&.to_h}
      end

      def tip_gap
        @tip_gap ||= TipGap.of(question.opening_mm, question.blade_mm, limits)
      end

      def reasons
        fits? ? [seated, bound, spaced, doubtful(close), gap].compact : [blocked, doubtful(close_miss), gap].compact
      end

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
        margin = fits? ? binding_one.margin(seat) : -nearest.shortfall
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
    end
  end
end
