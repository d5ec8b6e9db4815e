# frozen_string_literal: true

# bin/bench batches [POINTS] [SEED]: a phone brings back what it kept, and Fenbo is killed in the
# middle of it, at so many random points. Whatever is not answered is sent again, as a phone
# does. Every press must be there exactly once, in its order.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require "bundler/setup"
require "json"
require "securerandom"
require_relative "lib/bench_world"
require_relative "lib/browser"
require_relative "lib/forked_fenbo"
require_relative "lib/presses"
require_relative "lib/private_postgres"

ROOT = File.expand_path("..", __dir__)
PORT = 4696
POINTS = Integer(ARGV[0] || 200)
AT_ONCE = 50
# Seconds within which a batch of so many is killed.
LONGEST = 1.5
MAIN = Process.pid
random = Random.new(Integer(ARGV[1] || 2031))

def line(name, *figures) = puts("  #{name.ljust(44)} #{figures.join("   ")}")

postgres = PrivatePostgres.new(ROOT, name: "trust-postgres").start
at_exit { postgres.stop if Process.pid == MAIN }
BenchWorld.fill(ROOT, "fenbo_batches", postgres)
unit = Unit.find_by!(name: "Cheese cellar 2")
jobs = Array.new(40) {
  Job.create!(unit:, client_id: SecureRandom.uuid, opened_at: Time.now, complaint: "It hums").number
}
fenbo = ForkedFenbo.new(port: PORT, log: File.join(ROOT, "var", "batches.log"))
phone = Browser.new("ilka", port: PORT, page: "/jobs/#{jobs.first}/measure")
fenbo.warm { phone.sign_in }.start.wait

# Sent until each is answered; each answer as it came.
def bring(phone, presses)
  waiting, answers = presses.dup, []
  until waiting.empty?
    told = begin
      phone.post_json("/pocket/sync", entries: waiting)
    rescue *Presses::GONE
      sleep 0.02
      next
    end
    next sleep(0.02) unless told.code == "200"
    said = JSON.parse(told.body)["answers"]
    answers.concat(said)
    waiting = waiting.drop(said.size)
  end
  answers
end

# @return [Array<Hash>] as a phone sends them, on three jobs, one after the other
presses = ->(first) {
  jobs.sample(3, random:).flat_map { |job| [job] * (AT_ONCE / 3) }.each_with_index.map { |job, index|
    id = SecureRandom.uuid
    {order: first + index, id:, path: "/jobs/#{job}/readings", held_seconds: 60 - index, seen: nil, anyway: false,
     body: URI.encode_www_form(client_id: id, fan: "evaporator-1", tool: "amps", amps: random.rand(0.2..0.6).round(3))}
  }
}
before = Reading.count
sent, answers = [], Hash.new(0)
POINTS.times do |point|
  batch = presses[point * AT_ONCE]
  sent.concat(batch.map { |one| one[:id] })
  bringing = Thread.new { bring(phone, batch) }
  sleep random.rand(0.0..LONGEST)
  fenbo.kill
  fenbo.start.wait
  bringing.value.each { |one| answers[one["answer"]] += 1 }
end
Database.connect
rows = Reading.where(client_id: sent).order(:id).pluck(:client_id)
places = sent.each_with_index.to_h
order = Reading.where(client_id: sent).order(:id).group_by(&:job_id).values.count { |list|
  seen = list.map { |row| places[row.client_id] }
  seen != seen.sort
}
lost, twice = sent.size - rows.uniq.size, Reading.count - before - rows.uniq.size
puts "killed while a phone brings back what it kept"
line "kills, presses", POINTS, sent.size
line "answers", answers.sort.map { |name, count| "#{name}: #{count}" }.join(", ")
line "lost, twice, jobs in another order", lost, twice, order
exit([lost, twice, order, answers["refused"]].all?(&:zero?) ? 0 : 1)
