# frozen_string_literal: true

# Writes who changed what beside each change. Passwords and digests are left out.
module Audited
  HIDDEN = %w[password_digest digest session_version lock_version created_at updated_at].freeze

  def self.included(model)
    model.after_create { note_change("made", saved_changes) }
    model.after_update { note_change("changed", saved_changes) }
  end

  private

  def note_change(action, changes)
    told = changes.except(*HIDDEN)
    return if told.empty?
    AuditEntry.create!(
      user: Current.user,
      action:,
      record_type: self.class.name,
      record_id: id,
      changes_made: told,
      created_at: Time.now
    )
  end
end
