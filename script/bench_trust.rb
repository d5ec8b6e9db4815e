# frozen_string_literal: true

# bin/bench trust [MINUTES] [SEED]: kills Fenbo and its database over and over while people
# write, then loads it, then sends what nobody should send. Nothing acknowledged may be lost
# or be there twice, and nothing may be answered 500.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require "bundler/setup"
require "net/http"
require "securerandom"
require_relative "lib/bench_world"
require_relative "lib/browser"
require_relative "lib/forked_fenbo"
require_relative "lib/malformed"
require_relative "lib/presses"
require_relative "lib/private_postgres"
require_relative "lib/stopwatch"

ROOT = File.expand_path("..", __dir__)
PORT = 4698
MINUTES = Float(ARGV[0] || 10)
SEED = Integer(ARGV[1] || 2031)
TARGETS = {kills: 1000, writes: 20_000, post_ms: 250, requests: 10_000}.freeze
# Twice as many at the most as there are on average.
BETWEEN = 2 * TARGETS[:writes] / TARGETS[:kills]
MAIN = Process.pid

def line(name, *figures) = puts("  #{name.ljust(44)} #{figures.join("   ")}")

POSTGRES = PrivatePostgres.new(ROOT, name: "trust-postgres").start
at_exit { POSTGRES.stop if Process.pid == MAIN }
BenchWorld.fill(ROOT, "fenbo_trust", POSTGRES)
# A supplier that is silent is no fault of ours.
ENV["FENBO_PRICE_SERVICE"] = "http://127.0.0.1:9"
NUMBERS = Job.where(status: "open").order(:number).pluck(:number)
# As many jobs as a shop works on, so that none grows beyond what one is.
UNIT = Unit.find_by!(name: "Cheese cellar 2")
WORKED_ON = Array.new(150) {
  Job.create!(unit: UNIT, client_id: SecureRandom.uuid, opened_at: Time.now, complaint: "It hums").number
}

FENBO = ForkedFenbo.new(port: PORT, log: File.join(ROOT, "var", "trust.log"))

def visitor(login)
  Browser.new(login, port: PORT, page: "/jobs/#{WORKED_ON.first}/measure").sign_in
end

# Readings, each sent again until it is acknowledged.
def write(presses, browser)
  job, amps = WORKED_ON.sample, format("%.3f", rand(0.2..0.6))
  presses.press(:reading) do |client_id|
    browser.post("/jobs/#{job}/readings", fan: "evaporator-1", tool: "amps", amps:, client_id:)
  end
end

FENBO.warm { write(Presses.new, visitor("ilka")) }.start.wait

# --- kills ---------------------------------------------------------------------------------
random = Random.new(SEED)
before = Reading.count
ActiveRecord::Base.connection_handler.clear_all_connections!
people = %w[ilka jorun pavo].map { |login| visitor(login) }
presses = Presses.new
done = false
writers = people.map { |browser| Thread.new { write(presses, browser) until done } }
kills = Hash.new(0)
deadline = Stopwatch.now + MINUTES * 60 * 0.6
while Stopwatch.now < deadline && (kills.values.sum < TARGETS[:kills] || presses.count < TARGETS[:writes])
  # So many writes between two kills that both are reached together, at least one; or nothing
  # comes any more.
  enough, patience = presses.count + random.rand(1..BETWEEN), Stopwatch.now + 5
  sleep 0.002 until presses.count >= enough || Stopwatch.now > patience
  sleep random.rand(0.0..0.05)
  which = (random.rand < 0.04) ? :database : :web
  if which == :database
    POSTGRES.kill
    POSTGRES.start
  else
    FENBO.kill
    FENBO.start
  end
  kills[which] += 1
end
done = true
writers.each(&:join)
ids = presses.acknowledged[:reading]
Database.connect
there = Reading.where(client_id: ids).count
extra = Reading.count - before - ids.size
puts "killed while #{people.size} people write, #{(MINUTES * 0.6).round(1)} minutes"
line "kills (web, database)", kills[:web], kills[:database], "wanted #{TARGETS[:kills]}"
line "acknowledged writes", ids.size, "wanted #{TARGETS[:writes]}"
line "lost, twice", ids.size - there, extra
line "answers", presses.answers.map { |code, count| "#{code}: #{count}" }.join(", ")
ActiveRecord::Base.connection_handler.clear_all_connections!

# --- load ----------------------------------------------------------------------------------
over = Stopwatch.now + MINUTES * 60 * 0.1
readers = Array.new(200) {
  Thread.new {
    http = Net::HTTP.new("127.0.0.1", PORT)
    # People do not all press at once.
    sleep rand(0.0..5.0)
    until Stopwatch.now > over
      begin
        http.get("/sign-in")
      rescue *Presses::GONE
        nil
      end
      sleep 5
    end
  }
}
times = people.map { |browser|
  Thread.new {
    list = []
    until Stopwatch.now > over
      list << Stopwatch.timed {
        browser.post("/jobs/#{WORKED_ON.sample}/findings", fan: "evaporator-1", test: "noise", outcome: "silent",
          client_id: SecureRandom.uuid)
      }
      sleep 0.2
    end
    list
  }
}.flat_map(&:value)
readers.each(&:join)
median, high = Stopwatch.spread(times)
puts "3 people post while 200 connections read a page every five seconds each"
line "post, ms: median and 95th percentile", median, high, "wanted #{TARGETS[:post_ms]}"

# --- malformed -----------------------------------------------------------------------------
doors = ObjectSpace.each_object(Class).select { |one| one < Shared::Route }.flat_map { |room|
  %w[GET POST].flat_map { |verb| (room.routes[verb] || []).map { |pattern, *| [verb, pattern.to_s] } }
}.uniq.reject { |_, path| path.match?(/sign-out|first-run|sign-in|new-password|password/) }
fields = Dir[File.join(ROOT, "app/**/*.erb")].flat_map { |file|
  File.read(file).scan(/name="([\w\[\].-]+)"|field\(?\s*"(\w+)"/).flatten.compact
}.uniq
browsers = %w[ilka mette sefa].map { |login| visitor(login) }
sender = Malformed.new(doors, fields, NUMBERS, Random.new(SEED))
codes, broken = Hash.new(0), []
deadline = Stopwatch.now + MINUTES * 60 * 0.3
sent = 0
while sent < TARGETS[:requests] && Stopwatch.now < deadline
  browser = browsers[sent % browsers.size]
  request = sender.next(browser.token)
  code =
    begin
      browser.send_raw(request).code
    rescue ArgumentError, URI::InvalidURIError
      "unsendable"
    rescue *Presses::GONE
      "closed"
    end
  codes[code] += 1
  broken << "#{request.verb} #{request.path[0, 120]}  #{request.body.to_s[0, 200]}" if code == "500"
  sent += 1
end
puts "malformed requests over #{doors.size} doors and #{fields.size} fields, seed #{SEED}"
line "sent", sent, "wanted #{TARGETS[:requests]}"
line "answers", codes.sort.map { |code, count| "#{code}: #{count}" }.join(", ")
line "500", broken.size
broken.first(20).each { |one| puts "    #{one}" }
exit(((ids.size - there).zero? && extra.zero? && broken.empty?) ? 0 : 1)
