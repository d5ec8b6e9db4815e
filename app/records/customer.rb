# frozen_string_literal: true

class Customer < ApplicationRecord
  include Audited

  has_many :sites
  has_many :units, through: :sites
  validates :name, presence: {message: "Please give a name."}, length: {maximum: 120}
  validates :approval_limit_cents,
    numericality: {
      greater_than_or_equal_to: 0,
      allow_nil: true,
      message: "cannot be below nothing."
    }
end
