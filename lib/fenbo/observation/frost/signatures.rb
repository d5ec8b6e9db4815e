# frozen_string_literal: true

module Fenbo
  module Frost
    # How far each known picture of frost fits a grid. Thresholds are soft: a feature
    # counts from nothing to fully over a span round its limit, so that a map between
    # two pictures carries both and one mis-tapped cell tips nothing.
    class Signatures
      # How far round its limit a feature grows from 0 to 1, in the limit's unit.
      SOFT = {
        "frost.clear" => 0.06,
        "frost.covered" => 0.15,
        "frost.light" => 0.07,
        "frost.blocked" => 0.12,
        "frost.even" => 0.1,
        "frost.bias" => 0.40,
        "frost.far_bare" => 0.25,
        "frost.contrast" => 0.3
      }.freeze
      # Pictures that fit less than this together leave the rest to "tells nothing".
      LEAST = 0.35
      # A picture with less of the whole than this is left out.
      TRACE = 0.03
      # A sign of less than this is a mis-tapped cell; from here on it goes before a coil "as it
      # should be", which keeps at most this share of the sign's own fit.
      SIGN = 0.1
      BEHIND = 0.9

      def initialize(grid, ring:, door:, limits:)
        @grid = grid
        @ring = ring
        @door = door
        @limits = limits
      end

      # [[id, weight]], heaviest first, weights summing to one.
      def weights
        fits = all.select { |_, fit| fit.positive? }
        whole = fits.values.sum
        fits["not_visible"] = LEAST - whole if whole < LEAST
        total = fits.values.sum
        kept = fits.transform_values { |fit| fit / total }.select { |_, weight| weight >= TRACE }
        kept.transform_values { |weight| weight / kept.values.sum }.sort_by { |id, weight| [-weight, id] }
      end

      # Fit of each picture, 0 to 1, before they share.
      def all
        signs = wrong
        worst = signs.values.max
        {"clear" => outranked(clear, worst), "even_light" => outranked(even_light, worst), **signs}
      end

      # The zone that stands out most, and by how much; nil where none can.
      def foremost = @grid.contrasts.compact.max_by(&:last)

      private

      # Signs that something is wrong.
      def wrong
        {
          "even_blocked" => even_blocked,
          "feed_end_only" => feed_end_only,
          "bottom_ice" => bottom_ice,
          "behind_one_fan" => behind_one_fan,
          "fan_ring_ice" => @ring ? 1.0 : 0.0,
          "near_door" => near_door
        }
      end

      # However well the rest of a coil looks, a sign that counts for something goes first.
      def outranked(fit, worst)
        (worst < SIGN) ? fit : [fit * (1 - worst), worst * BEHIND].min
      end

      # 0 below the limit's span, 1 above it, a straight line between.
      def soft(value, name)
        span = SOFT.fetch(name)
        ((value - @limits[name] + span) / (2 * span)).clamp(0.0, 1.0)
      end

      def clear = 1 - soft(@grid.coverage, "frost.clear")

      def even = soft(@grid.evenness, "frost.even")

      def even_light
        soft(@grid.coverage, "frost.covered") * (1 - soft(@grid.blockage, "frost.light")) * even
      end

      def even_blocked = soft(@grid.blockage, "frost.blocked") * even

      def feed_end_only
        soft(@grid.feed_bias, "frost.bias") * (1 - soft(@grid.far_mean, "frost.far_bare"))
      end

      def bottom_ice = soft(@grid.bottom_bias, "frost.bias")

      # Frost at the feed end of a starved coil, or towards a door, lies in one fan's zone
      # as well; the far end tells them apart.
      def behind_one_fan
        foremost ? soft(foremost.last, "frost.contrast") * (1 - 0.7 * [feed_end_only, near_door].max) : 0.0
      end

      def near_door = @door ? soft(@grid.side_bias(@door), "frost.bias") : 0.0
    end
  end
end
