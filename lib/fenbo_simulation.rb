# frozen_string_literal: true

require "fenbo"

# A small physical stand-in for the world: motors that turn against friction and
# air, supplies that sag, boxes that warm up, people who look and err. It knows
# nothing of Fenbo's likelihoods; the bench measures diagnosis against it, and the
# simulated clamp meter reads its motors. Randomness is passed in.
#
#   rig = FenboSimulation::CaseMaker.new(Random.new(1)).draw
#   rig.faults                          #=> ["capacitor_weak"]
#   FenboSimulation::Observer.new(rig, Random.new(2)).see("amps")  #=> "over"
#
#   Motor      torque against load: speed, current, power
#   Rig        one fan and its surroundings, faults worked into physical figures
#   Effects    what each fault does to those figures
#   Boxes      how warm the box gets, and where frost lies
#   Observer   what somebody with eyes, ears and meters makes of it
#   CaseMaker  draws equipment, age and faults from wear and surroundings
#   Clamp      a clamp meter on a simulated motor, line by line
#   Probe      a temperature probe in a box after a repair
#   PriceService suppliers with prices, stock and opening hours, over HTTP
#   Microphone a recording of a fan of any kind, speed and background
#   Yard       a second world, made of histories instead of physics
module FenboSimulation
  autoload :Boxes, "fenbo_simulation/boxes"
  autoload :CaseMaker, "fenbo_simulation/case_maker"
  autoload :Probe, "fenbo_simulation/probe"
  autoload :Clamp, "fenbo_simulation/clamp"
  autoload :Effects, "fenbo_simulation/effects"
  autoload :Microphone, "fenbo_simulation/microphone"
  autoload :Motor, "fenbo_simulation/motor"
  autoload :Observer, "fenbo_simulation/observer"
  autoload :PriceService, "fenbo_simulation/price_service"
  autoload :Rig, "fenbo_simulation/rig"
  autoload :Senses, "fenbo_simulation/senses"
  autoload :Yard, "fenbo_simulation/yard"
end
