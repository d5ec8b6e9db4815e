# frozen_string_literal: true

module Entries
  # Why a yes is wanted first, and what can be done meanwhile.
  module Approvals
    module_function

    # @param approval [Fenbo::Decision::Approval]
    def sentence(approval)
      "The customer wants to be asked above #{Setting.money(approval.free_up_to)}: make the quote and have their yes " \
        "noted first. Meanwhile the unit can be made safe and the product kept cold."
    end
  end
end
