# frozen_string_literal: true

module Fenbo
  # A small physical stand-in for the world: motors that turn against friction and
  # air, supplies that sag, boxes that warm up, people who look and err. It knows
  # nothing of Fenbo's likelihoods; the bench measures diagnosis against it, and the
  # simulated clamp meter reads its motors. Randomness is passed in.
  #
  #   rig = Fenbo::Simulation::CaseMaker.new(Random.new(1)).draw
  #   rig.faults                          #=> ["capacitor_weak"]
  #   Fenbo::Simulation::Observer.new(rig, Random.new(2)).see("amps")  #=> "over"
  #
  #   Motor      torque against load: speed, current, power
  #   Rig        one fan and its surroundings, faults worked into physical figures
  #   Effects    what each fault does to those figures
  #   Boxes      how warm the box gets, and where frost lies
  #   Observer   what somebody with eyes, ears and meters makes of it
  #   CaseMaker  draws equipment, age and faults from wear and surroundings
  #   Clamp      a clamp meter on a simulated motor, line by line
  #   Microphone a recording of a fan of any kind, speed and background
  module Simulation
    autoload :Boxes, "fenbo/simulation/boxes"
    autoload :CaseMaker, "fenbo/simulation/case_maker"
    autoload :Clamp, "fenbo/simulation/clamp"
    autoload :Effects, "fenbo/simulation/effects"
    autoload :Microphone, "fenbo/simulation/microphone"
    autoload :Motor, "fenbo/simulation/motor"
    autoload :Observer, "fenbo/simulation/observer"
    autoload :Rig, "fenbo/simulation/rig"
    autoload :Senses, "fenbo/simulation/senses"
  end
end
