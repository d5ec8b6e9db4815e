# frozen_string_literal: true

module Shared
  # The last answers of the tools that a page asks each time it is looked at, by what was
  # asked. An answer depends on nothing else, so any process may keep its own and none has to.
  module Answered
    # How many of each are kept; one of match holds some sixty motors.
    KEPT = {diagnose: 300, match: 8, blades: 8}.transform_values { |most| Fenbo::Kept.new(most) }.freeze
    private_constant :KEPT

    module_function

    # @param tool [Symbol] one of those kept
    # @return [Fenbo::Answer] by the shop's limits
    def of(tool, question)
      KEPT.fetch(tool).fetch([question, Setting.read("limits")]) { Fenbo.call(tool, question, limits: Shop.limits) }
    end
  end
end
