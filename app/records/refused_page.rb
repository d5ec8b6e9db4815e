# frozen_string_literal: true

# A page that refused a form, as it was shown: reloaded it is the same, with what was typed.
class RefusedPage < ApplicationRecord
  KEPT = 2.days

  belongs_to :user

  def self.drop_old = where(created_at: ..KEPT.ago).delete_all

  def path = "/refused/#{id}"
end
