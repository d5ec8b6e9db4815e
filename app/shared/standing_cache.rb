# frozen_string_literal: true

module Shared
  # The last verdicts, by what was asked. A verdict depends on nothing else, so any
  # process may keep its own and none has to.
  module StandingCache
    MOST = 300
    LOCK = Mutex.new
    KEPT = {} # rubocop:disable Style/MutableConstant
    private_constant :LOCK, :KEPT

    module_function

    def fetch(question)
      LOCK.synchronize { KEPT[question] } || yield.tap { |answer| keep(question, answer) }
    end

    # The oldest goes when it is full.
    def keep(question, answer)
      LOCK.synchronize do
        KEPT.shift if KEPT.size >= MOST
        KEPT[question] = answer
      end
    end
  end
end
