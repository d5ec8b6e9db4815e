# frozen_string_literal: true

module Settings
  # The shop's name, rates and its own limits over the trade's defaults.
  class ShopForm < Shared::Form
    # Those with cents.
    CURRENCIES = %w[EUR CHF GBP USD SEK NOK DKK PLN CZK].freeze
    # To what a total is rounded, in cents.
    ROUNDINGS = Fenbo::Decision::Quote::ROUNDINGS.to_h { |cents| [cents.to_s, format("%.2f", cents / 100.0)] }.freeze

    # The factor on an hour outside working hours.
    OVERTIME = 1..10

    # What an hour, a way and a kilowatt hour cost at most, in cents: more is a slip of the finger.
    MOST = {rate: 200_000, trip: 1_000_000, tariff: 1000}.freeze

    def save
      name = text(:shop_name, longest: 60, required: "The shop needs a name.")
      rate, trip, tariff = cents(:rate), cents(:trip), cents(:tariff)
      fault(:rate, "The rate is needed.") if rate.nil?
      MOST.each { |field, cents|
        fault(field, "At most #{Shared::Shop.money(cents)}.") if {rate:, trip:, tariff:}[field].to_i > cents
      }
      quoting = {"tax_percent" => number(:tax, 0..100), "deposit_percent" => number(:deposit, 0..100),
                 "currency" => choice(:currency, CURRENCIES),
                 "rounding_cents" => choice(:rounding, ROUNDINGS.keys)&.to_i,
                 "quote_days" => whole(:quote_days, 1..365), "overtime_factor" => number(:overtime, OVERTIME),
                 "work_hours" => (opening_hours(:work_days, :work_from, :work_to) if params.key?(:work_from))}
      limits, holidays = own_limits, dates(:holidays)
      Fenbo::LimitSense.new(limits).faults.each { |one, message| fault("limits.#{one}", "It #{message}.") }
      return false unless clean?
      Setting.transaction do
        {
          "shop_name" => name,
          "rate_per_hour_cents" => rate,
          "trip_cents" => trip || 0,
          "tariff_cents_kwh" => tariff || 0,
          "limits" => limits,
          "holidays" => holidays.sort.uniq,
          **quoting.compact
        }.each { |key, value| Setting.write(key, value) }
      end
      true
    end

    private

    # Only what differs from the default is kept as the shop's own.
    def own_limits
      given = params[:limits].is_a?(Hash) ? params[:limits] : {}
      given
        .slice(*Fenbo::Limits.entries.keys)
        .filter_map { |name, typed| own_limit(name, typed.to_s.strip) }
        .to_h
    end

    def own_limit(name, typed)
      return nil if typed.empty?
      value = Fenbo::Quantities.number(typed) or return fault("limits.#{name}", "A number, please.")
      [name, value] unless value == Fenbo::Limits.default[name]
    end
  end
end
