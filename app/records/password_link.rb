# frozen_string_literal: true

# A link by which somebody gives themselves a new password: made by the office, good once
# and for a day. Only its digest is kept; the link itself is shown once, when it is made.
class PasswordLink < ApplicationRecord
  include Audited

  LASTS = 1.day

  belongs_to :user
  belongs_to :made_by, class_name: "User"

  scope :live, -> { where(used_at: nil, expires_at: Time.now..) }

  # @return [String] the link's secret; earlier links of the same person end
  def self.issue(user, made_by)
    transaction do
      live.where(user:).update_all(expires_at: Time.now)
      secret = SecureRandom.urlsafe_base64(32)
      create!(user:, made_by:, digest: ApiToken.digest_of(secret), expires_at: LASTS.from_now)
      secret
    end
  end

  # @return [PasswordLink, nil]
  def self.of(secret) = live.find_by(digest: ApiToken.digest_of(secret))

  # Sets the password and ends every session; a second press finds the link used.
  # @return [Boolean] false where the password will not do
  def use(password)
    with_lock do
      return false unless used_at.nil?
      done = user.update(password:, session_version: user.session_version + 1)
      update!(used_at: Time.now) if done
      done
    end
  end
end
