# frozen_string_literal: true

require "timeout"

# A database that stands still, frozen or behind a dead line, gives no error by itself: whoever
# waits for it gives up after a while, and for a moment after that nobody else begins to wait.
module Patience
  # Raised as what it is to whoever asked: the connection is of no use any more.
  class Frozen < PG::ConnectionBad; end

  # Seconds without trying again.
  REST = 2

  @until = nil

  module_function

  # From now on every question of this process waits so long at most.
  # @param seconds [Float]
  def bring(seconds)
    PG::Connection.prepend(
      Module.new do
        %i[exec async_exec query async_query exec_params async_exec_params exec_prepared async_exec_prepared
          prepare async_prepare].each do |name|
          define_method(name) { |*given, &block| Patience.at_most(seconds) { super(*given, &block) } }
        end
      end
    )
  end

  def at_most(seconds, &asked)
    return yield if Thread.current[:fenbo_patient]
    begin
      Thread.current[:fenbo_patient] = true
      Timeout.timeout(seconds, Frozen, "no answer for #{seconds} s", &asked)
    ensure
      Thread.current[:fenbo_patient] = false
    end
  rescue Frozen
    @until = now + REST
    raise
  end

  def resting? = !@until.nil? && now < @until

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
end
