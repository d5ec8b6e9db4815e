# frozen_string_literal: true

module Fenbo
  module Simulation
    # The outcome of each test by its id, from a rig's figures: included by Observer, which
    # lends its rig, its boxes and its randomness.
    module Senses
      autoload :Box, "fenbo/simulation/senses/box"
      autoload :Fan, "fenbo/simulation/senses/fan"
      autoload :Hands, "fenbo/simulation/senses/hands"
      autoload :Meters, "fenbo/simulation/senses/meters"
    end
  end
end
