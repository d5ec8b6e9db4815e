# frozen_string_literal: true

require "securerandom"
require_relative "stopwatch"

# Presses of people who do not give up: each is sent again, under the same id, until it is
# acknowledged. What was acknowledged and what else was answered is kept.
class Presses
  # What a client sees where nobody answers.
  GONE = [SystemCallError, EOFError, IOError, Net::OpenTimeout, Net::ReadTimeout, Net::HTTPBadResponse].freeze

  # One try: when it began and ended, in seconds of the monotonic clock, and its answer.
  Try = Struct.new(:kind, :began, :ended, :code)

  # @return [Hash{Symbol => Array<String>}] ids by kind
  attr_reader :acknowledged

  # @return [Array<Try>]
  attr_reader :tries

  def initialize
    @acknowledged = Hash.new { |hash, kind| hash[kind] = [] }
    @tries = []
    @lock = Mutex.new
  end

  # @param over [Proc] asked between two tries, so that an end is an end
  # @yield [String] the id; answers with the HTTP answer
  def press(kind, over: -> { false }, pause: 0.01)
    id = SecureRandom.uuid
    until over.call
      return id if attempt(kind, id) { yield id }
      sleep pause
    end
  end

  def count(kind = nil)
    @lock.synchronize { kind ? @acknowledged[kind].size : @acknowledged.values.sum(&:size) }
  end

  # @return [Hash{String => Integer}]
  def answers = @lock.synchronize { @tries.map(&:code).tally.sort.to_h }

  private

  def attempt(kind, id)
    began = Stopwatch.now
    code = answer_of { yield }
    @lock.synchronize do
      @tries << Try.new(kind, began, Stopwatch.now, code)
      @acknowledged[kind] << id if code == "303"
    end
    code == "303"
  end

  def answer_of
    yield.code
  rescue *GONE
    "gone"
  end
end
