# frozen_string_literal: true

# Somebody at a unit: planned, going on, or over; see Fenbo::JobFile::Presence.
# `planned_minutes` is how long it is reckoned to take.
class Visit < ApplicationRecord
  # The return visit that a part on its way is awaited for.
  FOR_PART = "fit the part"

  include Audited

  belongs_to :job
  belongs_to :technician, class_name: "User"

  scope :planned, -> { where(ends_at: nil, starts_at: Time.now..) }

  # What is recorded in one, by somebody who is there.
  RECORDED = %w[findings readings photos decisions].freeze

  # Those in which somebody has recorded something; a planned one is only planned.
  scope :begun, -> {
    where(["visits.arrival_c IS NOT NULL",
      *RECORDED.map { |table| "EXISTS (SELECT 1 FROM #{table} WHERE #{table}.visit_id = visits.id)" }].join(" OR "))
  }

  # Those planned for a part that is to come.
  def self.for_part(job) = planned.where(job:, purpose: FOR_PART)
end
