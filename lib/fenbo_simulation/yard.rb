# frozen_string_literal: true

module FenboSimulation
  # A second world, by another hand: nothing of it is shared with the first (Rig, Effects,
  # Senses) nor taken from Fenbo's knowledge. The first is made of figures and physics; this
  # one of histories. A unit lives through its years, faults arise one out of another
  # (History), a chain of plain conditions follows from them (Condition), and a technician
  # with good and bad days looks at it (Witness). What holds in both is not owed to either.
  module Yard
    autoload :Cold, "fenbo_simulation/yard/cold"
    autoload :Condition, "fenbo_simulation/yard/condition"
    autoload :DeadTests, "fenbo_simulation/yard/dead_tests"
    autoload :Dice, "fenbo_simulation/yard/dice"
    autoload :Ears, "fenbo_simulation/yard/ears"
    autoload :History, "fenbo_simulation/yard/history"
    autoload :Place, "fenbo_simulation/yard/place"
    autoload :Round, "fenbo_simulation/yard/round"
    autoload :Witness, "fenbo_simulation/yard/witness"
  end
end
