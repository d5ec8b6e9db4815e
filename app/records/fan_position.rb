# frozen_string_literal: true

# Where a fan sits: evaporator 1..n or condenser 1..n of its unit.
class FanPosition < ApplicationRecord
  belongs_to :unit
  has_many :fitted_motors, -> { order(:installed_on) }
  has_one :motor_now, -> { where(removed_on: nil) }, class_name: "FittedMotor"
  has_many :findings
  has_many :readings

  # The one that is in; of all that were, where those are read already.
  def motor_now
    fitted_motors.loaded? ? fitted_motors.reject(&:removed_on).last : super
  end

  # As the job file calls it.
  def motor = motor_now

  # As the core names it: "evaporator-2".
  def key = "#{side}-#{number}"

  def label = "fan #{number}"

  def long_label = "#{side.capitalize} fan #{number}"
end
