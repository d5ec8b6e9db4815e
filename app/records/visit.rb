# frozen_string_literal: true

# Somebody at a unit: planned, going on, or over. `planned_minutes` is how long it is reckoned to take.
class Visit < ApplicationRecord
  # The return visit that a part on its way is awaited for.
  FOR_PART = "fit the part"

  include Audited

  belongs_to :job
  belongs_to :technician, class_name: "User"

  scope :planned, -> { where(ends_at: nil, starts_at: Time.now..) }

  # Those planned for a part that is to come.
  def self.for_part(job) = planned.where(job:, purpose: FOR_PART)
end
