# frozen_string_literal: true

require "active_support/current_attributes"

# Who is asking, for the audit trail, the shop's settings, and whose van drives to the job in
# hand (a user's uid) with what lies on it; reset after each request.
class Current < ActiveSupport::CurrentAttributes
  attribute :user, :settings, :van, :van_stock

  # Another van, or the same after something was taken off it.
  def van=(uid)
    self.van_stock = nil
    super
  end
end
