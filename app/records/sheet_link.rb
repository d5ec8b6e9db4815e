# frozen_string_literal: true

# A link by which a customer sees the handover sheet of one job, and nothing else.
class SheetLink < ApplicationRecord
  include SecretLink

  belongs_to :job

  # @return [String] the link's secret; earlier links to the same sheet end
  def self.issue(job, made_by, days:)
    give(where(job:), job:, made_by:, expires_at: days.days.from_now)
  end

  # That somebody looked; the first look counts.
  def seen
    update!(seen_at: Time.now) if seen_at.nil?
  end
end
