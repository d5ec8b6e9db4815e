# frozen_string_literal: true

# A session that was signed out, by the key that lies in its cookie.
class EndedSession < ApplicationRecord
  # A cookie is not sent for longer than this.
  KEPT = 14 * 24 * 3600

  def self.take(key)
    insert({key:, ended_at: Time.now}, unique_by: :key) if key
  end

  def self.sweep = where("ended_at < ?", Time.now - KEPT).delete_all
end
