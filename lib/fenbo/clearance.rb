# frozen_string_literal: true

module Fenbo
  # Whether motor, blade and guard get along, before anything is bought.
  #   Fit        the tool: where the hub may sit, with how many spacers, and what binds
  #   Question   the measurements, as they were taken
  #   Condition  what one of them demands of the seat: an interval
  #   Layout     everything in its place for one seat: what is drawn
  #   TipGap     between the blade's tips and its opening
  #   FanLaws    the tool: air, pressure and power at another speed, diameter or pitch
  module Clearance
    autoload :Condition, "fenbo/clearance/condition"
    autoload :Conditions, "fenbo/clearance/conditions"
    autoload :FanLaws, "fenbo/clearance/fan_laws"
    autoload :Fit, "fenbo/clearance/fit"
    autoload :FitReasons, "fenbo/clearance/fit_reasons"
    autoload :Layout, "fenbo/clearance/layout"
    autoload :Question, "fenbo/clearance/question"
    autoload :TipGap, "fenbo/clearance/tip_gap"
  end
end
