# frozen_string_literal: true

module Fenbo
  module JobFile
    # What last changed how the box drifts: a stopgap (its id in stopgaps.yml) that was set up, none
    # where it was undone. From `at` on the product goes from `c` towards `end_c`, °C, with this
    # time constant.
    DriftFrom = Shape.of(stopgap: Shape.maybe(String), at: Time, c: Float, end_c: Float, tau_hours: Float)
  end
end
