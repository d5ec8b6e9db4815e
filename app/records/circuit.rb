# frozen_string_literal: true

# One refrigerant circuit of a unit; its ledger is a list of moves and leak searches.
class Circuit < ApplicationRecord
  include Audited

  belongs_to :unit
  has_many :refrigerant_moves
  has_many :leak_searches

  validates :name, presence: {message: "Please give a name."}, length: {maximum: 60, message: "is too long."},
    uniqueness: {scope: :unit_id, message: "This unit has a circuit of that name."}
  validates :full_charge_kg, numericality: {greater_than: 0, less_than: 100_000, message: "must be above nothing."}
end
