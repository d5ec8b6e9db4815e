# frozen_string_literal: true

require "open3"

# Commands side by side; what each printed stands together, the one that failed last.
module Lanes
  Lane = Struct.new(:name, :environment, :command)
  # As many as a small machine has cores.
  AT_ONCE = 2
  # Of specs: one that goes through a browser waits half its time for it.
  SPECS_AT_ONCE = 4

  module_function

  # Every check, two at a time; stops with what the failing ones said.
  # @param checks [Array<Array>] name, its environment where it has one, then the command
  def checks(checks)
    waiting = Queue.new
    checks.each { |check| waiting << check }
    failed = side_by_side(waiting, AT_ONCE) { |(name, *command)| check(name, command) }.compact
    abort failed.join("\n") if failed.any?
  end

  # @return [String, nil] what it said where it failed
  def check(name, command)
    said, status = Open3.capture2e(*command)
    puts "  #{name}#{": failed" unless status.success?}"
    "\n#{name} failed: #{command.grep(String).join(" ")}\n#{said}" unless status.success?
  end

  # What the block gives for everything that waits, each begun as soon as there is room.
  def side_by_side(waiting, at_once)
    workers = Array.new(at_once) do
      Thread.new do
        done = []
        while (one = take(waiting))
          done << yield(one)
        end
        done
      end
    end
    workers.flat_map(&:value)
  end

  def take(waiting)
    waiting.pop(true)
  rescue ThreadError
    nil # the other lane had the last one
  end

  # @param lanes [Array<Lane>] the longest first
  # @return [Boolean] whether all went well
  def run(lanes)
    waiting = Queue.new
    lanes.each { |lane| waiting << lane }
    results = side_by_side(waiting, SPECS_AT_ONCE) { |lane| one(lane) }
    results.sort_by { |_, _, status| status.success? ? 0 : 1 }.each { |lane, said, _| puts "\n#{lane.name}", said }
    results.all? { |_, _, status| status.success? }
  end

  def one(lane)
    started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    said, status = Open3.capture2e(lane.environment, *lane.command)
    took = (Process.clock_gettime(Process::CLOCK_MONOTONIC) - started).round
    puts "  #{lane.name}: #{status.success? ? "done" : "failed"} after #{took} s"
    [lane, said, status]
  end
end
