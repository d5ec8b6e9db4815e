# frozen_string_literal: true

module Fenbo
  module Product
    # How a job's product goes on from now, once a stopgap is set up or undone. One set up after
    # another takes its place.
    #
    #   T(t) = E - (E - T0)·e^(-t/τ)     T0 as it is reckoned now; of its own drift towards Te:
    #   E    = Te - (Te - T0)·nearer, τ = tau·slower
    #
    # Source: sourcing/stopgaps, sourcing/product.
    class Turning
      # @param clock [JobClock] one that is known
      def initialize(clock, limits:)
        @clock = clock
        @limits = limits
      end

      # @param id [String, nil] of stopgaps.yml; nil where the one that holds it is undone
      # @return [JobFile::DriftFrom]
      def to(id)
        effect = Stopgaps.effect(id, @limits)
        JobFile::DriftFrom.new(stopgap: id, at: @clock.now, c: @clock.now_c.round(2),
          end_c: @clock.end_with(effect[:nearer]).round(2),
          tau_hours: (@clock.own_tau_hours * effect[:slower]).round(2))
      end
    end
  end
end
