# frozen_string_literal: true

require "active_support/current_attributes"

# Who is asking, for the audit trail; reset after each request.
class Current < ActiveSupport::CurrentAttributes
  attribute :user
end
