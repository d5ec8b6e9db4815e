# frozen_string_literal: true

# A link by which a customer answers one quote without signing in, once. Only its digest is
# kept; the link itself is shown once, when it is made.
class QuoteLink < ApplicationRecord
  include Audited

  belongs_to :quote
  belongs_to :made_by, class_name: "User"

  scope :live, -> { where(expires_at: Time.now..) }

  # @return [String] the link's secret; earlier links to the same job's quotes end
  def self.issue(quote, made_by)
    transaction do
      live.where(quote_id: quote.job.quotes.select(:id)).update_all(expires_at: Time.now)
      secret = SecureRandom.urlsafe_base64(32)
      create!(quote:, made_by:, digest: ApiToken.digest_of(secret), expires_at: quote.valid_until)
      secret
    end
  end

  # @return [QuoteLink, nil]
  def self.of(secret) = live.find_by(digest: ApiToken.digest_of(secret))
end
