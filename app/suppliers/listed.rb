# frozen_string_literal: true

module Suppliers
  # Suppliers whose price list was loaded from a file.
  module Listed
    UUID = /\A\h{8}-\h{4}-\h{4}-\h{4}-\h{12}\z/

    module_function

    # @return [Hash{String => Array<Hash>}] part number => offers
    def offers(parts)
      return {} unless any?
      SupplierPrice.eager_load(:supplier).where(part_no: parts.map(&:part_no)).group_by(&:part_no)
        .transform_values { |rows| rows.map(&:offer) }
    end

    def name_of(id)
      (Supplier.find_by(uid: id)&.name if any? && UUID.match?(id.to_s))
    end

    # Told by the shop's settings, which every page reads: no question more where there is none.
    def any? = Setting.read("price_lists").positive?
  end
end
