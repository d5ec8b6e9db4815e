# frozen_string_literal: true

# How long things take, and how the benches say it.
module Stopwatch
  module_function

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  # Seconds the block takes.
  def timed
    start = now
    yield
    now - start
  end

  # [median, 95th percentile] of seconds, in ms.
  def spread(seconds)
    sorted = seconds.sort
    [sorted[sorted.size / 2], sorted[(sorted.size * 0.95).ceil - 1]].map { |one| (one * 1000).round(1) }
  end

  def mark(value, target)
    (value <= target) ? "ok" : "over the target of #{target}"
  end
end
