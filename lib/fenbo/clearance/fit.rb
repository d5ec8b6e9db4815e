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
        Result.new(verdict:, figures: fits? ? found : not_found, reasons: FitReasons.new(self).list)
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

      # The conditions with no spacer, one, two …
      # @return [Array<Conditions>]
      def tried
        @tried ||= (0..question.most_spacers).map { |count| Conditions.new(question, count) }
      end

      def fits? = !spacers.nil?

      def conditions = tried[spacers]

      # Two demands that meet exactly leave one seat, whatever the arithmetic's last digit.
      def range = conditions.range.then { |low, high| [low, [low, high].max] }

      # With how many spacers least is missing.
      def nearest = @nearest ||= tried.min_by(&:shortfall)

      # The conditions that cannot both be met.
      def blocking = nearest.blocking

      # The condition with least to spare at the seat found.
      # @return [Condition]
      def binding_one
        @binding_one ||= conditions.all.min_by { |one| one.margin(seat) }
      end

      # Of the caliper, mm.
      def tolerance = question.tolerance_mm || limits["fit.tolerance"]

      # Those met by less than the caliper's error.
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

      def tip_gap
        @tip_gap ||= TipGap.of(question.opening_mm, question.blade_mm, limits)
      end

      private

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
    end
  end
end
