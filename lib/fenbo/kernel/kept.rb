# frozen_string_literal: true

module Fenbo
  # The last few answers to a question that is asked again and again. What is kept depends on
  # the question alone: two threads may work one out at once, and either stays.
  class Kept
    # @param most [Integer] what was asked longest ago goes when it is full
    def initialize(most)
      @most = most
      @kept = {}
      @lock = Mutex.new
    end

    # The answer to a question, worked out by the block where it is not kept.
    def fetch(question)
      known = @lock.synchronize { (one = @kept.delete(question)) && (@kept[question] = one) }
      known || yield.tap { |answer| keep(question, answer) }
    end

    private

    def keep(question, answer)
      @lock.synchronize do
        @kept.shift if @kept.size >= @most
        @kept[question] = answer
      end
    end
  end
end
