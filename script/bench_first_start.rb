# frozen_string_literal: true

# bin/bench first-start [POINTS] [SEED] [whole]: Fenbo's first start is killed with everything it
# began, at so many random points, each in a folder of its own; the start that follows must come
# up. What is installed once for all folders is lent to them. `whole` loads the demo world too.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require "fileutils"
require "net/http"
require "tmpdir"
require_relative "lib/stopwatch"

ROOT = File.expand_path("..", __dir__)
POINTS = Integer(ARGV[0] || 200)
PORT = 4695
LENT = %w[vendor node_modules public Gemfile.lock].freeze
OPTIONS = ["--port", PORT.to_s, *("--no-demo" unless ARGV[2] == "whole")].freeze
PATIENCE = 180
random = Random.new(Integer(ARGV[1] || 2031))

def line(name, *figures) = puts("  #{name.ljust(44)} #{figures.join("   ")}")

# A checked-out Fenbo that was never started.
def folder(at)
  FileUtils.mkdir_p(at)
  system("git -C '#{ROOT}' archive HEAD | tar x -C '#{at}'", exception: true)
  LENT.each { |name| FileUtils.ln_s(File.join(ROOT, name), File.join(at, name)) }
  FileUtils.mkdir_p(File.join(at, "var"))
  FileUtils.cp_r(File.join(ROOT, "var", "stamps"), File.join(at, "var")) if Dir.exist?(File.join(ROOT, "var", "stamps"))
end

# As a shell would, knowing nothing of the bundle that this runs in.
CLEAN = {"BUNDLE_PATH" => nil, "BUNDLE_GEMFILE" => nil, "BUNDLE_FROZEN" => nil, "RUBYOPT" => nil}.freeze

def begin_in(at)
  spawn(CLEAN, "bin/start", *OPTIONS,
    chdir: at, pgroup: true, out: [File.join(at, "start.log"), "a"], err: [:child, :out])
end

# Everything that names the folder, the database's server too: like a pulled plug.
def pull_the_plug(at, pid)
  Process.kill("KILL", -pid)
  Dir["/proc/[0-9]*/cmdline"].each do |file|
    one = file[/\d+/].to_i
    Process.kill("KILL", one) if one != Process.pid && File.read(file).include?(at)
  rescue SystemCallError
    next
  end
  Process.wait(pid)
end

def up?
  deadline = Stopwatch.now + PATIENCE
  while Stopwatch.now < deadline
    begin
      return true if Net::HTTP.get_response("127.0.0.1", "/up", PORT).code == "200"
    rescue SystemCallError, EOFError, Net::ReadTimeout
      sleep 0.1
    end
  end
  false
end

Dir.mktmpdir("fenbo-first-start") do |home|
  first = File.join(home, "first")
  folder(first)
  pid = nil
  whole = Stopwatch.timed {
    pid = begin_in(first)
    up? or abort File.read(File.join(first, "start.log"))
  }
  pull_the_plug(first, pid)
  puts "first starts killed, and started again"
  line "a first start undisturbed, s", whole.round(1)
  came, reached = 0, Hash.new(0)
  POINTS.times do |point|
    at = File.join(home, "at-#{point}")
    folder(at)
    pid = begin_in(at)
    sleep random.rand(0.0..whole)
    pull_the_plug(at, pid)
    reached[Dir.exist?(File.join(at, "var/postgres/data")) ? "after the database's folder" : "before it"] += 1
    pid = begin_in(at)
    up? ? came += 1 : puts(File.read(File.join(at, "start.log")).lines.last(12))
    pull_the_plug(at, pid)
    FileUtils.rm_rf(at)
  end
  line "killed", *reached.map { |where, count| "#{where}: #{count}" }
  line "came up afterwards", came, "of #{POINTS}"
  exit 1 if came < POINTS
end
