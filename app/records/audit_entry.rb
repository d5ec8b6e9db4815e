# frozen_string_literal: true

# One line of the audit trail; never changed, never removed (see the schema).
class AuditEntry < ApplicationRecord
  belongs_to :user, optional: true
end
