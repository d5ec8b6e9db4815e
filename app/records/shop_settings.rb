# frozen_string_literal: true

# What the shop's settings mean, wherever they are kept: whoever is extended by it has
# `read(name)`, which gives what the shop has set or the default.
module ShopSettings
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

  # The shop's one currency.
  # @return [Money::Currency]
  def currency = Money::Currency.new(read("currency"))

  # Written as where they are paid with: "$1,250.50"; the others with spaces, "1 250.50 €".
  SYMBOL_FIRST = %w[USD GBP].freeze

  # An amount in whole cents, as it is written.
  def money(cents)
    first = SYMBOL_FIRST.include?(currency.iso_code)
    Money.new(cents, currency).format(symbol: currency.symbol, decimal_mark: ".", sign_before_symbol: first,
      thousands_separator: first ? "," : "\u00a0", format: first ? "%u%n" : "%n\u00a0%u").tr("-", "−")
  end

  # The shop's working hours, but for its holidays.
  def work_week = read("work_hours").merge("closed" => read("holidays"))

  # The trade's limits with the shop's own over them.
  def limits = Fenbo::Limits.default.with(read("limits"))
end
