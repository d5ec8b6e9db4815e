# frozen_string_literal: true

module FenboSimulation
  # The outcome of each test by its id, from a rig's figures: included by Observer, which
  # lends its rig, its boxes and its randomness.
  module Senses
    autoload :Box, "fenbo_simulation/senses/box"
    autoload :Fan, "fenbo_simulation/senses/fan"
    autoload :Hands, "fenbo_simulation/senses/hands"
    autoload :Meters, "fenbo_simulation/senses/meters"
  end
end
