# frozen_string_literal: true

# One reading that a meter sent by itself. It is no record: only what is held and
# kept in a reading is, so old lines go.
class MeterLine < ApplicationRecord
  KEPT = 3600

  belongs_to :user

  scope :fresh, ->(seconds = 6) { where("created_at > ?", Time.now - seconds) }

  def self.sweep = where("created_at < ?", Time.now - KEPT).delete_all
end
