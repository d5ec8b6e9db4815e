# frozen_string_literal: true

# bin/bench catalogue: a hundred thousand made motors brought in as a file through the
# import, then searched for the demo world's fans: how long, and every screen beside it.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require "bundler/setup"
require_relative "lib/private_postgres"
require_relative "lib/stopwatch"

ROOT = File.expand_path("..", __dir__)
COUNT = Integer(ENV.fetch("FENBO_BENCH_PARTS", "100000"))
SEARCHES = 200
# A screen that searches has the search and a page.
TARGETS = {import_s: 60, search_ms: 150, parts_ms: 50, page_ms: 50, search_page_ms: 200}.freeze

postgres = PrivatePostgres.new(ROOT, name: "test-postgres", durable: false).start
at_exit { postgres.stop }
postgres.drop_database("fenbo_bench")
postgres.create_database("fenbo_bench")
ENV["DATABASE_URL"] = postgres.url("fenbo_bench")
ENV["FENBO_SECRET"] = "0" * 128
ENV["RACK_ENV"] = "production"
require_relative "../app/boot"
require_relative "lib/schema"
require_relative "../db/demo/world"
Schema.migrate
Demo::World.new(today: Date.today).load

def line(name, value, target = nil)
  puts("  #{name.ljust(46)} #{value.to_s.rjust(9)}#{"   #{Stopwatch.mark(value, target)}" if target}")
end

puts "catalogue of #{COUNT} made motors"
sheet = Fenbo::Matching::Sheet.of("motors")
maker = Demo::MotorMaker.new(seed: 41)
csv =
  CSV.generate do |out|
    out << sheet.columns.keys
    # Numbers of their own, beside the demo world's.
    maker
      .rows
      .first(COUNT)
      .each { |row| out << sheet.write(row.transform_keys(&:to_s).merge("part_no" => "#{row[:part_no]}-X")) }
  end
line "file, MB", (csv.bytesize / 1_000_000.0).round(1)
import =
  CatalogueImport.create!(
    user: User.find_by!(login: "mette"),
    kind: "motors",
    file_name: "bench.csv",
    content: csv,
    lines: COUNT
  )
looked = Stopwatch.timed { Catalogue::LookThrough.new(import).run }
abort "the file was not clean: #{import.faults.first}" if import.faulty.positive?
take = Catalogue::Take.new(import.reload)
taken = Stopwatch.timed { take.run }
take.settle
line "looked through, s", looked.round(1)
line "taken in, s", taken.round(1)
line "imported altogether, s", (looked + taken).round(1), TARGETS[:import_s]
line "motors in the catalogue", Motor.count
again =
  CatalogueImport.create!(
    user: User.find_by!(login: "mette"),
    kind: "motors",
    file_name: "again.csv",
    content: csv,
    lines: COUNT
  )
seconds =
  Stopwatch.timed { Catalogue::LookThrough.new(again).run } +
  Stopwatch.timed { Catalogue::Take.new(again.reload).run }
unless again.reload.same == COUNT
  abort "the same file changed something: #{again.reload.attributes.slice("added", "changed_rows", "faulty")}"
end
line "the same file once more, s", seconds.round(1), TARGETS[:import_s]

puts "match, every fan of the demo world in turn, #{SEARCHES} searches"
places =
  Job
    .open
    .preload(unit: [{fan_positions: :motor_now}, {site: :customer}])
    .flat_map { |job| job.unit.fan_positions.select(&:motor_now).map { |position| [job, position] } }
search = ->(index) do
  places[index % places.size].then do |job, position|
    ActiveRecord::Base.cache { Stations::Match::PartSearch.new(job, position).candidates.size }
  end
end
5.times { |index| search.call(index) }
median, high = Stopwatch.spread(Array.new(SEARCHES) { |index| Stopwatch.timed { search.call(index) } })
line "median, ms", median
line "95th percentile, ms", high, TARGETS[:search_ms]

puts "parts by number, forgiving"
typed =
  Motor
    .order(Arel.sql("md5(part_no)"))
    .limit(60)
    .pluck(:part_no)
    .map { |number| number.downcase.delete("-").tr("0", "o") }
found = typed.count { |text| Motor.like(text).nearest(text).limit(24).to_a.any? }
median, high = Stopwatch.spread(typed.map { |text| Stopwatch.timed { Motor.like(text).nearest(text).limit(24).to_a } })
line "found of #{typed.size}", found
line "median, ms", median
line "95th percentile, ms", high, TARGETS[:parts_ms]

puts "screens beside it, ms, 95th percentile of 20"
require "rack/mock"
session = Rack::MockRequest.new(Web.app)
page = session.get("/sign-in")
token = page.body[/name="csrf" content="([^"]+)"/, 1]
cookie = page["set-cookie"][/\Afenbo=[^;]+/]
answer =
  session.post(
    "/sign-in",
    "HTTP_COOKIE" => cookie,
    :params => {
      login: "ilka",
      password: "frost and copper",
      authenticity_token: CGI.unescapeHTML(token)
    }
  )
cookie = answer["set-cookie"][/\Afenbo=[^;]+/]
number = Job.open.joins(:unit).find_by!(units: {name: "Cheese cellar 2"}).number
{
  "match" => "/jobs/#{number}/match",
  "does it fit" => "/jobs/#{number}/fitting?part=BR-U12-230",
  "parts" => "/parts",
  "parts, last page" => "/parts?page=9999",
  "parts, searched" => "/parts?q=brs12",
  "source" => "/jobs/#{number}/source",
  "day" => "/"
}.each do |name, path|
  2.times { session.get(path, "HTTP_COOKIE" => cookie) }
  times =
    Array.new(20) do
      Stopwatch.timed do
        session
          .get(path, "HTTP_COOKIE" => cookie)
          .then { |got| abort "#{path}: #{got.status} #{got.errors}" unless got.status == 200 }
      end
    end
  line name, Stopwatch.spread(times).last, TARGETS[path.match?(/match|fitting/) ? :search_page_ms : :page_ms]
end
