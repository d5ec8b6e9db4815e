# frozen_string_literal: true

# A link by which somebody gives themselves a new password: made by the office, good once
# and for a day.
class PasswordLink < ApplicationRecord
  include SecretLink

  LASTS = 1.day

  belongs_to :user

  scope :live, -> { where(used_at: nil, expires_at: Time.now..) }

  # @return [String] the link's secret; earlier links of the same person end
  def self.issue(user, made_by)
    give(where(user:), user:, made_by:, expires_at: LASTS.from_now)
  end

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
