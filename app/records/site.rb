# frozen_string_literal: true

class Site < ApplicationRecord
  include Audited

  belongs_to :customer
  has_many :units
  validates :name, presence: {message: "Please give a name."}, length: {maximum: 120}
end
