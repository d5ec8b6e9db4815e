# frozen_string_literal: true

# Somebody who sells parts and is known by a price list. `terms` are what the tool `source`
# takes of an offer: open, travel_minutes, freight_cents, lead_days, cutoff, delivers_at.
class Supplier < ApplicationRecord
  include Audited

  has_many :supplier_prices, dependent: :delete_all

  validates :name, presence: {message: "Who is it?"}, length: {maximum: 80, message: "Up to 80 characters."}
end
