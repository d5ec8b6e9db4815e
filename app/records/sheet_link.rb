# frozen_string_literal: true

# A link by which a customer sees the handover sheet of one job, and nothing else, without
# signing in. Only its digest is kept; the link itself is shown once, when it is made.
class SheetLink < ApplicationRecord
  include Audited

  belongs_to :job
  belongs_to :made_by, class_name: "User"

  scope :live, -> { where(expires_at: Time.now..) }

  # @return [String] the link's secret; earlier links to the same sheet end
  def self.issue(job, made_by, days:)
    transaction do
      live.where(job:).update_all(expires_at: Time.now)
      secret = SecureRandom.urlsafe_base64(32)
      create!(job:, made_by:, digest: ApiToken.digest_of(secret), expires_at: days.days.from_now)
      secret
    end
  end

  # @return [SheetLink, nil]
  def self.of(secret) = live.find_by(digest: ApiToken.digest_of(secret))

  # That somebody looked; the first look counts.
  def seen
    update!(seen_at: Time.now) if seen_at.nil?
  end
end
