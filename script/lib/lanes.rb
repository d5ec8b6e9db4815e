# frozen_string_literal: true

require "open3"

# Commands side by side, a lane for each core of a small machine; what each printed
# stands together, the one that failed last.
module Lanes
  Lane = Struct.new(:name, :environment, :command)

  module_function

  # Every check, two at a time; stops with what the failing ones said.
  # @param checks [Array<Array<String>>] name, then the command
  def checks(checks)
    waiting = Queue.new
    checks.each { |check| waiting << check }
    failed = Array.new(2) { Thread.new { drain(waiting) } }.flat_map(&:value)
    abort failed.join("\n") if failed.any?
  end

  def drain(waiting)
    failed = []
    while (name, *command = take(waiting))
      said, status = Open3.capture2e(*command)
      puts "  #{name}#{": failed" unless status.success?}"
      failed << "\n#{name} failed: #{command.join(" ")}\n#{said}" unless status.success?
    end
    failed
  end

  def take(waiting)
    waiting.pop(true)
  rescue ThreadError
    nil # the other lane had the last one
  end

  # @return [Boolean] whether all lanes went well
  def run(lanes)
    results = lanes.map { |lane| Thread.new { one(lane) } }.map(&:value)
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
