# frozen_string_literal: true

# The second half of bin/bench: a database with the demo world, Fenbo and a bare
# Rack endpoint on the same Puma, asked in turn by one client.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require "bundler/setup"
require "cgi"
require "json"
require "net/http"
require "open3"
require_relative "lib/private_postgres"
require_relative "lib/page_counts"
require_relative "lib/stopwatch"

ROOT = File.expand_path("..", __dir__)
ROUNDS = 40
TARGETS = {page_ms: 50, search_page_ms: 200, assets_kb: 200, memory_mb: 220, command_s: 0.5, diagnose_ms: 20,
           combinations_ms: 100}.freeze

def line(name, *figures) = puts("  #{name.ljust(34)} #{figures.join("   ")}")

postgres = PrivatePostgres.new(ROOT, name: "test-postgres", durable: false).start
main = Process.pid
at_exit { postgres.stop if Process.pid == main }
postgres.drop_database("fenbo_bench")
postgres.create_database("fenbo_bench")
at_exit { postgres.drop_database("fenbo_bench") if Process.pid == main }
ENV["DATABASE_URL"] = postgres.url("fenbo_bench")
ENV["FENBO_SECRET"] = "0" * 128
ENV["RACK_ENV"] = "production"

server =
  fork do
    boot = Stopwatch.now
    require_relative "../app/boot"
    require_relative "lib/schema"
    loaded = Stopwatch.now
    Schema.migrate
    # As bin/start does.
    require_relative "lib/apart"
    Apart.run do
      require_relative "../db/demo/world"
      Demo::World.new(today: Date.today).load
    end
    require "puma"
    require "puma/server"
    fenbo = PageCounts.new(Web.app)
    bare = ->(_env) { [200, {"content-type" => "text/plain"}, ["bare"]] }
    puma =
      Puma::Server.new(
        ->(env) { (env["PATH_INFO"] == "/bare") ? bare.call(env) : fenbo.call(env) },
        nil,
        {min_threads: 2, max_threads: 5}
      )
    puma.add_tcp_listener("127.0.0.1", 4699)
    File.write(File.join(ROOT, "var", "bench-boot"), (loaded - boot).round(2))
    puma.run.join
  end
at_exit { Process.kill("KILL", server) }

http = Net::HTTP.new("127.0.0.1", 4699)
600.times do
  break if http.get("/up").code == "200"
rescue SystemCallError
  sleep 0.1
end

page = http.get("/sign-in")
cookie = page["set-cookie"][/\Afenbo=[^;]+/]
token = page.body[/name="csrf" content="([^"]+)"/, 1]
answer =
  http.post(
    "/sign-in",
    URI.encode_www_form(login: "ilka", password: "frost and copper", authenticity_token: CGI.unescapeHTML(token)),
    {"Cookie" => cookie}
  )
cookie = answer["set-cookie"][/\Afenbo=[^;]+/]
asked = {"Cookie" => cookie, "Accept-Encoding" => "gzip"}
board = http.get("/", {"Cookie" => cookie}).body
job =
  board[%r{href="/jobs/(\d+)".*?Cheese cellar 2}m] &&
  board.scan(%r{href="/jobs/(\d+)">\s*<span[^>]*>Cheese cellar 2}).dig(0, 0)

puts "pages, ms: median and 95th percentile of #{ROUNDS}, demo world; questions to the database,",
  "ms in them and in the core"
worst = 0
{
  "bare endpoint, same Puma" => "/bare",
  "day board" => "/",
  "look" => "/jobs/#{job}/look",
  "measure" => "/jobs/#{job}/measure",
  "decide" => "/jobs/#{job}/decide",
  "match" => "/jobs/#{job}/match",
  "fit" => "/jobs/#{job}/fit",
  "prove" => "/jobs/#{job}/prove",
  "hand over" => "/jobs/#{job}/hand_over",
  "unit" => "/units/2",
  "parts" => "/parts"
}.each do |name, path|
  60.times { http.get(path, asked) }
  page = nil
  times = Array.new(ROUNDS) { Stopwatch.timed { page = http.get(path, asked) } }
  queries, sql, core = PageCounts.of(page)
  median, high = Stopwatch.spread(times)
  # Match searches the catalogue: its own target, with the search's.
  searches = name == "match"
  worst = [worst, high].max unless path == "/bare" || searches
  line name,
    median.to_s.rjust(6),
    high.to_s.rjust(6),
    "#{(page.body.bytesize / 1024.0).round(1)} kB gzipped".rjust(16),
    "#{queries} questions".rjust(12),
    "#{sql} sql".rjust(9),
    "#{core} core".rjust(10),
    *(searches ? [Stopwatch.mark(high, TARGETS[:search_page_ms])] : [])
end
line "slowest page, 95th percentile", worst, Stopwatch.mark(worst, TARGETS[:page_ms])

puts "weight"
files = %w[fenbo.css fenbo.js].to_h { |name| [name, File.size(File.join(ROOT, "public/assets", name)) / 1000.0] }
files.each { |name, kb| line name, "#{kb.round(1)} kB" }
line "scripts and styles together",
  "#{files.values.sum.round(1)} kB",
  Stopwatch.mark(files.values.sum, TARGETS[:assets_kb])

puts "core, calls a second and ms each, after loading"
$LOAD_PATH.unshift File.join(ROOT, "lib")
require "fenbo"
Fenbo::Tools.names.each do |name|
  example = Fenbo::Tools.entry(name).example
  Fenbo::Tools.call(name, example)
  count = (name == "diagnose") ? 30 : 200
  seconds = Stopwatch.timed { count.times { Fenbo::Tools.call(name, example) } } / count
  line name,
    "#{(1 / seconds).round}/s",
    "#{(seconds * 1000).round(2)} ms",
    *((name == "diagnose") ? [Stopwatch.mark(seconds * 1000, TARGETS[:diagnose_ms])] : [])
end

# Forty offers, each with four stopgaps and with none.
many = Fenbo::Tools.entry("source").example.then do |asked|
  asked.merge(
    "offers" => Array.new(40) { |index| asked["offers"][index % 3].merge("id" => "offer-#{index}") },
    "stopgaps" => Array.new(4) { |index|
      {"id" => "stopgap-#{index}", "minutes" => 10 * index, "hours_to_limit" => 5 * index}
    }
  )
end
seconds = Array.new(20) { Stopwatch.timed { Fenbo::Tools.call("source", many) } }.max
line "source, 200 combinations, the worst of 20", "#{(seconds * 1000).round(1)} ms",
  Stopwatch.mark(seconds * 1000, TARGETS[:combinations_ms])

puts "start and memory"
%w[amps diagnose].each do |name|
  input = JSON.generate(Fenbo::Tools.entry(name).example)
  seconds =
    Array
      .new(5) do
        Stopwatch.timed { Open3.capture2({"RUBYOPT" => nil}, File.join(ROOT, "bin/fenbo"), name, stdin_data: input) }
      end
      .sort[
      2
    ]
  line "bin/fenbo #{name}, process and all", "#{seconds.round(2)} s", Stopwatch.mark(seconds, TARGETS[:command_s])
end
line "application loaded in", "#{File.read(File.join(ROOT, "var", "bench-boot"))} s"
File.delete(File.join(ROOT, "var", "bench-boot"))
memory = File.read("/proc/#{server}/status")[/VmRSS:\s+(\d+)/, 1].to_i / 1024
line "memory of the web process", "#{memory} MB", Stopwatch.mark(memory, TARGETS[:memory_mb])
