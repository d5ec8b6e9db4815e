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

  # What is recorded in one, by somebody who is there, and what falls into one by its time.
  RECORDED = %w[findings readings photos decisions].freeze
  DONE = %w[work_steps proof_checks].freeze

  # Those in which somebody has recorded something; a planned one is only planned.
  def self.begun
    where(%w[ends_at arrival_c leaving_c].map { |column| "visits.#{column} IS NOT NULL" }
      .concat(RECORDED.map { |table| recorded_in(table) }, DONE.map { |table| done_in(table) }).join(" OR "))
  end

  def self.recorded_in(table)
    "EXISTS (SELECT 1 FROM #{table} WHERE #{table}.visit_id = visits.id)"
  end

  # Done since it began, and before the next one did.
  def self.done_in(table)
    <<~SQL.squish
      EXISTS (SELECT 1 FROM #{table} done WHERE done.job_id = visits.job_id AND done.done_at >= visits.starts_at
        AND NOT EXISTS (SELECT 1 FROM visits later WHERE later.job_id = visits.job_id
          AND later.starts_at > visits.starts_at AND later.starts_at <= done.done_at))
    SQL
  end
  private_class_method :recorded_in, :done_in

  # Those planned for a part that is to come.
  def self.for_part(job) = planned.where(job:, purpose: FOR_PART)
end
