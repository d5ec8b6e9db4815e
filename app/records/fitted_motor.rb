# frozen_string_literal: true

# A motor that sits, or sat, in a fan position.
class FittedMotor < ApplicationRecord
  include Audited

  belongs_to :fan_position

  def age_years(today) = installed_on && (today - installed_on).to_i / 365.25

  # Nameplate amps at the unit's own supply.
  def amps_at(site_volts)
    return amps.first if amps.size < 2 || volts.size != amps.size
    amps[volts.each_index.min_by { |index| (volts[index] - site_volts).abs }]
  end

  def volts_at(site_volts) = volts.min_by { |one| (one - site_volts).abs }
end
