# frozen_string_literal: true

# The second half of bin/cluster: people write through nginx while one part after the other is
# killed and brought back. What was acknowledged must be there, once, with its files; nobody
# may be refused but while a part is away.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require "bundler/setup"
require "digest"
require "net/http"
require "securerandom"
require_relative "lib/browser"
require_relative "lib/cluster"
require_relative "lib/outages"
require_relative "lib/presses"

ROOT = File.expand_path("..", __dir__)
PORT = 4700
MINUTES = Float(ARGV[0] || 10)
MAIN = Process.pid
# Seconds until somebody notices, and of quiet before the next.
NOTICED, QUIET = 1, 4

def line(name, *figures) = puts("  #{name.ljust(44)} #{figures.join("   ")}")

cluster = Cluster.new(ROOT, port: PORT)
at_exit { cluster.stop if Process.pid == MAIN }
puts "starting two web processes, a worker, nginx, two databases and a store"
cluster.start_stores
cluster.environment.each { |name, value| ENV[name] = value }
require_relative "../app/boot"
require_relative "lib/schema"
require_relative "../db/demo/world"
Schema.migrate
Demo::World.new(today: Date.today).load
UNIT = Unit.find_by!(name: "Cheese cellar 2")
JOBS = Array.new(100) {
  Job.create!(unit: UNIT, client_id: SecureRandom.uuid, opened_at: Time.now, complaint: "It hums").number
}
# A bundle of a job or two: what is tried is the worker, not how fast it draws.
DAY = Job.where(status: "closed").maximum(:closed_at).to_date.iso8601
cluster.start_fenbo

def visitor(login)
  Browser.new(login, port: PORT, page: "/jobs/#{JOBS.first}/measure").sign_in
end

# A picture like no other, so that its file is one of its own.
def picture
  Vips::Image.gaussnoise(96, 72, mean: 128, sigma: 60, seed: rand(1 << 30)).cast("uchar").pngsave_buffer
end

# Tried again, it says the same again.
def reading(presses, browser)
  job, amps = JOBS.sample, format("%.3f", rand(0.2..0.6))
  presses.press(:reading, pause: 0.1) do |client_id|
    browser.post("/jobs/#{job}/readings", fan: "evaporator-1", tool: "amps", amps:, client_id:)
  end
end

presses = Presses.new
before = {reading: Reading.count, photo: Photo.count, bundle: ReportBundle.count}
done = false
people = %w[ilka jorun pavo].map { |login|
  browser = visitor(login)
  Thread.new do
    until done
      reading(presses, browser)
      sleep 0.3
    end
  end
}
people << visitor("sefa").then { |browser|
  Thread.new do
    until done
      bytes, job = picture, JOBS.sample
      presses.press(:photo, pause: 0.1) { |id|
        browser.upload("/jobs/#{job}/photos", "photo", bytes, fan: "evaporator-1", client_id: id)
      }
      sleep 1
    end
  end
}
people << visitor("mette").then { |browser|
  Thread.new do
    until done
      presses.press(:bundle, pause: 0.1) { |id|
        browser.post("/reports", from: DAY, upto: DAY, client_id: id)
      }
      sleep 10
    end
  end
}

reviver = Thread.new do
  until done
    sleep 1
    cluster.revive
  end
end
outages = Outages.new
order = Cluster::PARTS.cycle
deadline = Stopwatch.now + MINUTES * 60
while Stopwatch.now < deadline
  sleep QUIET
  outages.of(order.next) do |part|
    cluster.kill(part)
    sleep NOTICED
    cluster.mend(part)
  end.then { |part| cluster.make_whole(part) }
end
sleep QUIET
done = true
[*people, reviver].each(&:join)

ActiveRecord::Base.connection_handler.clear_all_connections!
600.times {
  ReportBundle.where(client_id: presses.acknowledged[:bundle]).where.not(state: "ready").exists? ? sleep(0.1) : break
}
tables = {reading: Reading, photo: Photo, bundle: ReportBundle}
lost = tables.to_h { |kind, model|
  ids = presses.acknowledged[kind]
  [kind, [ids.size - model.where(client_id: ids).count, model.count - before[kind] - ids.size]]
}
photos = Photo.where(client_id: presses.acknowledged[:photo])
# Asked one by one: a store that was killed while it wrote cannot list what nobody was told of.
missing = photos.count { |photo|
  Digest::SHA256.hexdigest(photo.file.open(&:read)) != photo.image_data.dig("metadata", "sha256")
}
unmade = ReportBundle.where(client_id: presses.acknowledged[:bundle]).where.not(state: "ready").count

puts "", "killed in turn for #{MINUTES.round(1)} minutes while five people write"
outages.by_part(presses.tries).each do |part, row|
  line part.to_s.tr("_", " "), "killed #{row.kills}", "refused #{row.refused}",
    "longest without an acknowledged reading #{(row.longest * 1000).round} ms"
end
stray = outages.stray(presses.tries)
line "acknowledged", presses.acknowledged.map { |kind, ids| "#{kind}: #{ids.size}" }.join(", ")
line "lost, twice", lost.map { |kind, pair| "#{kind}: #{pair.join(", ")}" }.join("   ")
line "photos whose file is not what was sent", missing
line "bundles that were never made", unmade
line "answers", presses.answers.map { |code, count| "#{code}: #{count}" }.join(", ")
line "refused with nothing away", stray.size
stray.first(10).each { |try| puts "    #{try.kind} #{try.code} at #{(try.began - outages.began).round(1)} s" }
exit((lost.values.flatten.all?(&:zero?) && missing.zero? && unmade.zero? && stray.empty?) ? 0 : 1)
