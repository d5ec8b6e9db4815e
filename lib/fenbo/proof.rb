# frozen_string_literal: true

module Fenbo
  # Whether a repair holds.
  #   Pulldown   box temperature against time: on course for its setpoint?
  #   Cleaning   what a cleaning did; repeat offenders
  #   Driven     through every step of its control
  #   Cooling    the curve fitted through the readings
  module Proof
    autoload :Checklist, "fenbo/proof/checklist"
    autoload :Cleaning, "fenbo/proof/cleaning"
    autoload :Cooling, "fenbo/proof/cooling"
    autoload :Driven, "fenbo/proof/driven"
    autoload :Pulldown, "fenbo/proof/pulldown"
  end
end
