# frozen_string_literal: true

# A link by which a technician's calendar reads their visits, and nothing else.
class CalendarLink < ApplicationRecord
  include SecretLink

  belongs_to :user

  # @return [String] the link's secret; an earlier one of the same person ends
  def self.issue(user, made_by, days:)
    give(where(user:), user:, made_by:, expires_at: days.days.from_now)
  end
end
