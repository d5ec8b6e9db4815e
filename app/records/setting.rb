# frozen_string_literal: true

# What the shop has set for itself, by name.
class Setting < ApplicationRecord
  include Audited

  DEFAULTS = {
    "shop_name" => "Fenbo",
    "currency" => "EUR",
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
    "holidays" => [],
    "price_lists" => 0,
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

  # The shop's one currency.
  # @return [Money::Currency]
  def self.currency = Money::Currency.new(read("currency"))

  # An amount in whole cents, as it is written.
  def self.money(cents)
    Money.new(cents, currency).format(symbol: currency.symbol, thousands_separator: "\u00a0", decimal_mark: ".",
      format: "%n\u00a0%u").tr("-", "−")
  end

  # The shop's working hours, but for its holidays.
  def self.work_week = read("work_hours").merge("closed" => read("holidays"))

  # The trade's limits with the shop's own over them.
  def self.limits = Fenbo::Limits.default.with(read("limits"))

  def self.write(name, value)
    find_or_initialize_by(name:).update!(value:)
    Current.settings = nil
  end
end
