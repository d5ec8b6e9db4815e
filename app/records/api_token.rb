# frozen_string_literal: true

# A bearer token for the API. Only its digest is kept; the token itself is shown
# once, when it is made. It ends with its person, with their password, and by itself.
class ApiToken < ApplicationRecord
  include Audited

  belongs_to :user
  validates :label, presence: {message: "Say what it is for."}, length: {maximum: 80}

  # After half a year a new one is made: a forgotten one opens nothing for ever.
  LASTS = 180 * 24 * 3600

  scope :live, -> { where(revoked_at: nil).where("created_at > ?", Time.now - LASTS) }

  attr_reader :secret

  def self.issue(user, label)
    token = new(user:, label:)
    token.mint
    token
  end

  def self.user_of(secret)
    token = live.find_by(digest: digest_of(secret))
    token&.update_columns(last_used_at: Time.now)
    token&.user if token&.user&.active
  end

  def self.digest_of(secret) = OpenSSL::Digest::SHA256.hexdigest(secret.to_s)

  def mint
    @secret = "fenbo_#{SecureRandom.urlsafe_base64(32)}"
    self.digest = self.class.digest_of(@secret)
    save
  end
end
