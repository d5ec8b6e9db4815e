# frozen_string_literal: true

require "active_support/current_attributes"

# Who is asking, for the audit trail, and the shop's settings; reset after each
# request.
class Current < ActiveSupport::CurrentAttributes
  attribute :user, :settings
end
