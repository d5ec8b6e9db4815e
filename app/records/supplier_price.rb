# frozen_string_literal: true

# What one part costs at a supplier known by its price list.
class SupplierPrice < ApplicationRecord
  belongs_to :supplier

  # As the tool `source` takes it.
  # @return [Hash]
  def offer
    terms = supplier.terms.merge({"lead_days" => lead_days}.compact)
    terms["lead_days"] ||= 0 if supplier.kind == "order"
    {"id" => supplier.uid, "kind" => supplier.kind, "price_cents" => price_cents, "in_stock" => in_stock,
     "their_no" => their_no, **terms}
  end
end
