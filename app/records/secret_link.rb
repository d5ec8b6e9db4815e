# frozen_string_literal: true

# A link that works without signing in: for one purpose, for a while. Only its digest is kept;
# the link itself is shown once, when it is made.
module SecretLink
  extend ActiveSupport::Concern

  included do
    include Audited

    belongs_to :made_by, class_name: "User"

    scope :live, -> { where(expires_at: Time.now..) }
  end

  class_methods do
    # The link that a secret opens; nil where it is spent, ended or unknown.
    def of(secret) = live.find_by(digest: ApiToken.digest_of(secret))

    private

    # @param earlier [ActiveRecord::Relation] links that end with this one
    # @return [String] the secret
    def give(earlier, **row)
      transaction do
        earlier.live.update_all(expires_at: Time.now)
        secret = SecureRandom.urlsafe_base64(32)
        create!(digest: ApiToken.digest_of(secret), **row)
        secret
      end
    end
  end
end
