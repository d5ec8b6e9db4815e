# frozen_string_literal: true

module Suppliers
  # What lies on the van of whoever drives to the job in hand (Current.van).
  module OnVan
    VAN = "van"
    NAME = "On the van"

    module_function

    # @return [Hash{String => Integer}] part number => pieces
    def there
      return {} if Current.van.nil?
      Current.van_stock ||= VanStock.there.joins(:user).where(users: {uid: Current.van}).pluck(:part_no, :count).to_h
    end

    def has?(part_no) = there.key?(part_no)

    # At the shop's own price, which pays for carrying it about.
    # @return [Hash, nil]
    def offer(part)
      return unless has?(part.part_no) && part.price_cents
      {"id" => VAN, "kind" => VAN, "price_cents" => (part.price_cents * Setting.limits["supplier.van_markup"]).round}
    end
  end
end
