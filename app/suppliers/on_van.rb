# frozen_string_literal: true

module Suppliers
  # What lies on the van of whoever drives to the job in hand (Current.van).
  module OnVan
    VAN = "van"

    module_function

    # @return [Hash{String => Integer}] part number => pieces
    def there
      return {} if Current.van.nil?
      Current.van_stock ||= VanStock.there.joins(:user).where(users: {uid: Current.van}).pluck(:part_no, :count).to_h
    end

    def has?(part_no) = there.key?(part_no)
  end
end
