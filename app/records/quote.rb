# frozen_string_literal: true

# One version of what a customer was asked; it never changes.
class Quote < ApplicationRecord
  include Audited

  belongs_to :job
  belongs_to :user
  has_many :quote_answers, -> { order(:at, :id) }

  def option(id) = options.find { |one| one["id"] == id }

  def latest? = version == job.quotes.maximum(:version)

  # Until when it can be said yes to.
  def valid_until = created_at + Setting.read("quote_days").days
end
