# frozen_string_literal: true

module Fenbo
  module Fitting
    # Where the hub may sit on the shaft, with how many spacers, and what binds.
    #
    # in:  L, h, b_m, b_f, m, G, O, t, n_max, key {k0, k1, k}, old_seat, limits; mm,
    #      see Question; G, O, key, old_seat and limits may be null
    # out: verdict fits | fits_with_spacers | does_not_fit, spacers, seat, seat_range,
    #      exposed_shaft, clearances, binding, short_by_mm, and close: conditions that
    #      a caliper's error decides
    # Source: docs/sources.md, motors/fit.
    class Fit < Tool
      def self.read(input, limits) = Question.read(input, limits)

      def answer = Result.new(verdict:, figures: fits? ? found : not_found, reasons:)

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

      private

      def tried = @tried ||= (0..question.most_spacers).map { |count| Conditions.new(question, count) }

      def fits? = !spacers.nil?

      def conditions = tried[spacers]

      # Two demands that meet exactly leave one seat, whatever the arithmetic's last digit.
      def range = conditions.range.then { |low, high| [low, [low, high].max] }

      # With how many spacers least is missing.
      def nearest = @nearest ||= tried.min_by(&:shortfall)

      def blocking = nearest.blocking

      def binding_one = @binding_one ||= conditions.all.min_by { |one| one.margin(seat) }

      def close = conditions.all.select { |one| one.margin(seat) < limits["fit.tolerance"] - Conditions::SLACK }.map(&:id).uniq

      def found
        {spacers:, seat: seat.round(2), seat_range: range.map { |mm| mm.round(2) }, exposed_shaft: (question.shaft_mm - seat - question.hub_mm).round(2), clearances:, binding: binding_one.id, short_by_mm: 0, close:}
      end

      def not_found
        {spacers: nil, seat: nil, seat_range: nil, exposed_shaft: nil, clearances: nil, binding: blocking.first.id, short_by_mm: nearest.shortfall.round(2), close: []}
      end

      def clearances
        q = question
        moved = spacers * q.spacer_mm
        {
          motor: (seat - q.towards_motor_mm - q.boss_mm).round(2),
          guard: q.guard_mm && (q.guard_mm + moved - [seat + q.towards_front_mm, q.shaft_mm].max).round(2),
          immersion: q.orifice_mm && ((q.orifice_mm + moved - seat + q.towards_motor_mm) / q.blade_depth_mm.to_f).round(2),
          engagement: (([seat + q.hub_mm, q.shaft_mm].min - seat) / q.hub_mm.to_f).round(2)
        }
      end

      def reasons = fits? ? [seated, bound, spaced, doubtful].compact : [blocked]

      def seated
        low, high = range.map { |mm| mm.round(1) }
        where = (question.old_seat_mm && seat == question.old_seat_mm) ? "the old seat, #{seat.round(1)} mm," : "a seat of #{seat.round(1)} mm"
        reason("The hub may sit from #{low} to #{high} mm off the motor's face; #{where} meets every condition", "fit.seat", value: seat.round(2), source: "motors/fit")
      end

      def bound = reason("What binds is #{binding_one.words}, with #{binding_one.margin(seat).round(1)} mm to spare", "fit.binding", value: binding_one.margin(seat).round(2), source: "motors/fit")

      def spaced
        return nil if spacers.zero?
        reason("#{spacers} × #{Quantities.tidy(question.spacer_mm)} mm under guard and orifice; one fewer is short by #{tried[spacers - 1].shortfall.round(1)} mm", "fit.spacers", value: spacers, source: "motors/fit")
      end

      # Within the error of a caliper both answers are possible.
      def doubtful
        return nil if close.empty?
        limit_reason("Too close to call for #{close.join(" and ")}: measure again before buying", "fit.tolerance", value: binding_one.margin(seat).round(2))
      end

      def blocked
        short = nearest.shortfall.round(1)
        first, second = blocking
        text = if second.nil? then "The shaft is #{short} mm too long for the guard"
        else
          "#{first.words.capitalize} and #{second.words} want #{short} mm more between them"
        end
        reason("#{text}, with #{tried.index(nearest)} of #{question.most_spacers} spacers: an original part, a shorter shaft, or more spacers", "fit.#{first.id}", value: short, source: "motors/fit")
      end
    end
  end
end
