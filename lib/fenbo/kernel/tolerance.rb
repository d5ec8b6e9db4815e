# frozen_string_literal: true

module Fenbo
  # Comparing figures that were worked out: what stands at a limit counts as within it,
  # however the arithmetic rounds.
  module Tolerance
    # Far below any instrument's last digit, far above what floating point loses.
    SLACK = 1e-9

    module_function

    def at_most?(value, limit) = value <= limit + SLACK

    def at_least?(value, limit) = value >= limit - SLACK

    def between?(value, low, high)
      at_least?(value, low) && at_most?(value, high)
    end

    def above?(value, limit) = !at_most?(value, limit)

    def below?(value, limit) = !at_least?(value, limit)
  end
end
