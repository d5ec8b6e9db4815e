# frozen_string_literal: true

# bin/bench sound [PER_KIND] [SEED]: recordings by the simulated microphone in
# conditions the classifier was not set on, and how they are read. Writes nothing.
$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "bundler/setup"
require "fenbo_simulation"
require_relative "lib/spread_work"

per_kind = Integer(ARGV[0] || 36)
seed = Integer(ARGV[1] || 77)
MICROPHONE = FenboSimulation::Microphone
LEVELS = [20, 12, 6].freeze
TARGETS = {20 => 95, 12 => 88}.freeze
WORKERS = 2

def draw(kind, snr_db, random)
  rpm = random.rand(700.0..3400.0)
  blades = random.rand(3..7)
  hertz = [50, 60].sample(random:)
  sound =
    MICROPHONE.new(
      kind:,
      rpm:,
      blades:,
      hertz:,
      snr_db:,
      seconds: 6,
      rate: [16_000, 22_050, 44_100].sample(random:),
      random:,
      background: MICROPHONE::BACKGROUNDS.sample(random.rand(1..2), random:),
      recorder: MICROPHONE::RECORDERS.keys.sample(random:)
    )
  told = random.rand < 0.5
  {
    "wav_bytes" => sound.wav,
    "rpm" => (rpm * random.rand(0.98..1.02) if told),
    "blades" => (blades if told),
    "hertz" => hertz
  }
end

def work(jobs, seed)
  jobs.map do |kind, snr, number|
    question = draw(kind, snr, Random.new(seed * 7919 + number))
    answer = Fenbo::Tools.call("sound", question)
    [kind, snr, !question["rpm"].nil?, answer.verdict]
  end
end

jobs =
  MICROPHONE::KINDS
    .flat_map { |kind| LEVELS.flat_map { |snr| Array.new(per_kind) { [kind, snr] } } }
    .each_with_index
    .map { |row, index| [*row, index] }
rows = SpreadWork.over(WORKERS) { |worker| work(jobs.select { |_, _, number| number % WORKERS == worker }, seed) }

share = ->(list) { 100.0 * list.count { |kind, _, _, said| kind == said } / [list.size, 1].max }
puts "sound: #{rows.size} recordings, seed #{seed}, half of them with the speed told"
LEVELS.each do |snr|
  list = rows.select { |row| row[1] == snr }
  target = TARGETS[snr]
  puts format(
    "  %2d dB over the background: %.1f %% right%s; speed told %.1f, not told %.1f; unclear %.1f %%",
    snr,
    share[list],
    target ? " (target #{target})" : "",
    share[list.select { |row| row[2] }],
    share[list.reject { |row| row[2] }],
    100.0 * list.count { |row| row[3] == "unclear" } / list.size
  )
end
healthy = rows.select { |row| row[0] == "healthy" }
puts format(
  "  healthy called bearing: %.1f %% (target 2)",
  100.0 * healthy.count { |row| row[3] == "bearing" } / healthy.size
)
puts "", "  is \\ said  #{Fenbo::Sound::KINDS.map { |kind| kind[0, 8].rjust(9) }.join}"
MICROPHONE::KINDS.each do |kind|
  said = rows.select { |row| row[0] == kind }.map(&:last).tally
  puts "  #{kind.ljust(10)}#{Fenbo::Sound::KINDS.map { |one| said.fetch(one, 0).to_s.rjust(9) }.join}"
end
long = MICROPHONE.new(kind: "bearing", rpm: 1550, blades: 4, seconds: 10, rate: 48_000, random: Random.new(1)).wav
Fenbo::Tools.call("sound", {"wav_bytes" => long})
start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
3.times { Fenbo::Tools.call("sound", {"wav_bytes" => long}) }
puts "",
  format(
    "  10 s at 48 kHz read in %.2f s (target 0.5)",
    (Process.clock_gettime(Process::CLOCK_MONOTONIC) - start) / 3
  )
