# frozen_string_literal: true

module Settings
  # The shop's name, rates and its own limits over the trade's defaults.
  class ShopForm
    attr_reader :faults

    def initialize(params)
      @params = params
      @typed = Shared::Typed.new(params)
      @faults = @typed.faults
    end

    def save
      name = @typed.text(:shop_name, longest: 60, required: "The shop needs a name.")
      rate, trip, tariff = @typed.cents(:rate), @typed.cents(:trip), @typed.cents(:tariff)
      @typed.fault(:rate, "The rate is needed.") if rate.nil?
      limits = own_limits
      return false unless @typed.clean?
      Setting.transaction do
        {
          "shop_name" => name,
          "rate_per_hour_cents" => rate,
          "trip_cents" => trip || 0,
          "tariff_cents_kwh" => tariff || 0,
          "limits" => limits
        }.each { |key, value| Setting.write(key, value) }
      end
      true
    end

    private

    # Only what differs from the default is kept as the shop's own.
    def own_limits
      given = @params[:limits].is_a?(Hash) ? @params[:limits] : {}
      given
        .slice(*Fenbo::Limits.entries.keys)
        .filter_map { |name, text| own_limit(name, text.to_s.strip.tr(",", ".")) }
        .to_h
    end

    def own_limit(name, text)
      default = Fenbo::Limits.default[name]
      return nil if text.empty?
      return @typed.fault("limits.#{name}", "A number, please.") unless text.match?(/\A-?\d{1,7}(\.\d{1,7})?\z/)
      [name, text.to_f] unless text.to_r == default.rationalize
    end
  end
end
