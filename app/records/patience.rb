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

  ASKING = %i[exec async_exec query async_query exec_params async_exec_params exec_prepared async_exec_prepared
    prepare async_prepare reset async_reset].freeze

  # From now on every question of this process waits so long at most, and every connection.
  # @param seconds [Float]
  def bring(seconds)
    waits = ->(*names) {
      Module.new do
        names.each do |name|
          define_method(name) { |*given, **named, &block|
            Patience.at_most(seconds) { super(*given, **named, &block) }
          }
        end
      end
    }
    PG::Connection.prepend(waits[*ASKING])
    PG.singleton_class.prepend(waits[:connect])
  end

  def at_most(seconds, &asked)
    return yield if Thread.current[:fenbo_patient]
    raise Frozen, "it did not answer a moment ago" if resting?
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
