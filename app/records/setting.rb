# frozen_string_literal: true

# What the shop has set for itself, by name.
class Setting < ApplicationRecord
  include Audited

  DEFAULTS = {
    "shop_name" => "Fenbo",
    "currency" => "€",
    "rate_per_hour_cents" => 9600,
    "trip_cents" => 6500,
    "overtime_factor" => 1.5,
    "tax_percent" => 20,
    "deposit_percent" => 0,
    "rounding_cents" => 1,
    "quote_days" => 30,
    "work_hours" => {
      "days" => [1, 2, 3, 4, 5],
      "from" => "07:30",
      "to" => "17:00"
    },
    "limits" => {},
    "tariff_cents_kwh" => 28,
    "learning" => true,
    "experience" => {
      "jobs" => {},
      "findings" => {},
      "counted" => 0
    }
  }.freeze

  # Read once a request, since every figure on a page wants its currency.
  def self.read(name)
    (Current.settings ||= pluck(:name, :value).to_h).fetch(name) { DEFAULTS[name] }
  end

  def self.write(name, value)
    find_or_initialize_by(name:).update!(value:)
    Current.settings = nil
  end
end
