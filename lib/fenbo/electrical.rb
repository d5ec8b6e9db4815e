# frozen_string_literal: true

module Fenbo
  # What the meter says, and whether it can be believed.
  #   Amps    running amps (or watts) against the nameplate's window
  #   Meter   the error of a clamp, with the conductor wrapped through its jaw
  #   Window  the span of current that counts as within
  #   Leg     one conductor judged against a window
  module Electrical
    FAMILIES = %w[shaded_pole psc ec split_phase three_phase].freeze
    SQRT3 = Math.sqrt(3)

    autoload :Amps, "fenbo/electrical/amps"
    autoload :AmpsQuestion, "fenbo/electrical/amps_question"
    autoload :AmpsReasons, "fenbo/electrical/amps_reasons"
    autoload :Leg, "fenbo/electrical/leg"
    autoload :Meter, "fenbo/electrical/meter"
    autoload :Supply, "fenbo/electrical/supply"
    autoload :Watts, "fenbo/electrical/watts"
    autoload :Window, "fenbo/electrical/window"

    # 100 × (largest deviation from the mean) ÷ mean; 0 for a dead supply.
    def self.unbalance_percent(values)
      mean = values.sum.fdiv(values.size)
      return 0.0 if mean.zero?
      100.0 * values.map { |value| (value - mean).abs }.max / mean
    end
  end
end
