# frozen_string_literal: true

module Fenbo
  module Product
    # How fast a box drifts towards a known end, by least squares through its readings.
    #
    #   ln(Te - T(t)) = ln(Te - T0) - t/tau     each reading weighted by (Te - T)^2, since an
    #                                           error e of T is one of e/(Te - T) of its logarithm
    #   se(1/tau) = e / sqrt(sum (Te - T)^2·(t - mean t)^2)
    #
    # Through two readings it is the line between them. Source: sourcing/product.
    class Drift
      Point = Value.of(:hours_ago, :c)

      # @param points [Array<Point>] at least two
      # @param end_c [Numeric] where it drifts to
      # @param error_c [Numeric] how far a reading may lie beside the truth, K
      def initialize(points, end_c:, error_c:)
        @points = points
        @end_c = end_c
        @error_c = error_c
      end

      # 1/tau, per hour; nil where the readings do not drift towards the end.
      def rate
        return @rate if defined?(@rate)
        @rate = (slope if usable? && slope.positive?)
      end

      def tau = rate && 1 / rate

      # How far the rate may lie beside it.
      def rate_error = @error_c / Math.sqrt(spread)

      private

      def usable?
        @points.size > 1 && spread.positive? && @points.map { |one| away(one) <=> 0 }.uniq.then { |signs|
          signs.one? && signs != [0]
        }
      end

      def away(point) = @end_c - point.c

      def weight(point) = away(point)**2

      def mean_ago
        @mean_ago ||= @points.sum { |one| weight(one) * one.hours_ago }.fdiv(@points.sum { |one| weight(one) })
      end

      def spread
        @spread ||= @points.sum { |one| weight(one) * (one.hours_ago - mean_ago)**2 }
      end

      # Against hours ago the logarithm rises by 1/tau.
      def slope
        @slope ||= @points.sum { |one|
          weight(one) * (one.hours_ago - mean_ago) * Math.log(away(one).abs)
        }.fdiv(spread)
      end
    end
  end
end
