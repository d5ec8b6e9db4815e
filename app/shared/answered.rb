# frozen_string_literal: true

module Shared
  # The last answers of the tools that a page asks each time it is looked at, by what was
  # asked. An answer depends on nothing else, so any process may keep its own and none has to.
  module Answered
    # How many of each are kept; one of match holds some sixty motors.
    MOST = {diagnose: 300, match: 8, blades: 8}.freeze
    LOCK = Mutex.new
    KEPT = MOST.transform_values { {} }
    private_constant :LOCK, :KEPT

    module_function

    # @param tool [Symbol] one of MOST
    # @return [Fenbo::Answer] by the shop's limits
    def of(tool, question)
      asked = [question, Setting.read("limits")]
      LOCK.synchronize { KEPT.fetch(tool)[asked] } ||
        Fenbo.call(tool, question, limits: Shop.limits).tap { |answer| keep(tool, asked, answer) }
    end

    # The oldest goes when it is full.
    def keep(tool, asked, answer)
      LOCK.synchronize do
        kept = KEPT.fetch(tool)
        kept.shift if kept.size >= MOST.fetch(tool)
        kept[asked] = answer
      end
    end
  end
end
