# frozen_string_literal: true

module Shared
  # Readings that keep a core busy for seconds: one at a time, one more waits its turn, whoever
  # comes besides is told so at once, and the pages stay quick for everybody else.
  module Heavy
    # Seconds.
    PATIENCE = 8

    # Somebody else's reading is going on.
    class Busy < StandardError; end

    LOCK = Mutex.new
    FREE = ConditionVariable.new
    @going = false
    @waiting = false

    module_function

    # @raise [Busy]
    def turn
      LOCK.synchronize { wait_turn }
      begin
        yield
      ensure
        LOCK.synchronize do
          @going = false
          FREE.signal
        end
      end
    end

    def wait_turn
      raise Busy if @going && @waiting
      @waiting = true
      deadline = clock + PATIENCE
      FREE.wait(LOCK, [deadline - clock, 0].max) while @going && clock < deadline
      @waiting = false
      raise Busy if @going
      @going = true
    end

    def clock = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
