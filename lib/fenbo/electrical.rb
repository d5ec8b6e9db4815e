# frozen_string_literal: true

module Fenbo
  # What the meter says, and whether it can be believed.
  #   Amps    running amps (or watts) against the nameplate's window
  #   Meter   the error of a clamp, with the conductor wrapped through its jaw
  #   Window  the span of current that counts as within
  #   Leg     one conductor judged against a window
  #   Phases      the balance of three legs, and which way a high one goes
  #   Windings    ohms of a dead motor, and its insulation
  #   Capacitor   microfarads against what is printed
  module Electrical
    FAMILIES = %w[shaded_pole psc ec split_phase three_phase].freeze
    SQRT3 = Math.sqrt(3)
    # Beyond these no fan motor lives; they catch a slipped decimal point.
    MOST_AMPS = 10_000
    MOST_VOLTS = 100_000

    autoload :Amps, "fenbo/electrical/amps"
    autoload :AmpsQuestion, "fenbo/electrical/amps_question"
    autoload :AmpsReasons, "fenbo/electrical/amps_reasons"
    autoload :AmpsWords, "fenbo/electrical/amps_words"
    autoload :Bank, "fenbo/electrical/bank"
    autoload :Capacitor, "fenbo/electrical/capacitor"
    autoload :EcReasons, "fenbo/electrical/ec_reasons"
    autoload :Leg, "fenbo/electrical/leg"
    autoload :Meter, "fenbo/electrical/meter"
    autoload :MeterReasons, "fenbo/electrical/meter_reasons"
    autoload :OddLeg, "fenbo/electrical/odd_leg"
    autoload :Phases, "fenbo/electrical/phases"
    autoload :PhasesReasons, "fenbo/electrical/phases_reasons"
    autoload :Plate, "fenbo/electrical/plate"
    autoload :PscWindings, "fenbo/electrical/psc_windings"
    autoload :ShadedPoleWinding, "fenbo/electrical/shaded_pole_winding"
    autoload :Supply, "fenbo/electrical/supply"
    autoload :ThreePhaseWindings, "fenbo/electrical/three_phase_windings"
    autoload :Trend, "fenbo/electrical/trend"
    autoload :Watts, "fenbo/electrical/watts"
    autoload :WindingKind, "fenbo/electrical/winding_kind"
    autoload :WindingPattern, "fenbo/electrical/winding_pattern"
    autoload :Windings, "fenbo/electrical/windings"
    autoload :Window, "fenbo/electrical/window"

    # Whether a reading is taken on a unit made safe and proved dead: ohms always, a
    # capacitor unless its microfarads come from amps and volts under load.
    def self.dead?(kind, question)
      kind == "windings" || (kind == "capacitor" && question["under_load"].nil?)
    end

    # 100 × (largest deviation from the mean) ÷ mean; 0 for a dead supply.
    def self.unbalance_percent(values)
      mean = values.sum.fdiv(values.size)
      return 0.0 if mean.zero?
      100.0 * values.map { |value| (value - mean).abs }.max / mean
    end
  end
end
