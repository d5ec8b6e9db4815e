# frozen_string_literal: true

# bin/bench diagnosis [CASES] [SEED]: draws jobs from the simulated world, which knows
# nothing of the engine's likelihoods, and brings each to a decision as Fenbo offers; every
# few of them by the check-list and by a clairvoyant as well. Writes nothing.
$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "fenbo_simulation"
require_relative "lib/spread_work"
require_relative "lib/errand"
require_relative "lib/strategies"

cases = Integer(ARGV[0] || 2000)
seed = Integer(ARGV[1] || 20_31)
WORKERS = 2
# What Fenbo is held against is worked out on every so many cases: it takes long.
BESIDE_EVERY = 5
Row = Struct.new(:minutes, :tests, :right, :in_two, :two_faults, :both, :wrong_parts, :chance, :decisive)

def row(outcome)
  Row.new(
    outcome.minutes,
    outcome.tests.size,
    outcome.right?,
    outcome.in_two?,
    outcome.faults.size == 2,
    outcome.both?,
    outcome.wrong_parts,
    outcome.chance,
    outcome.diagnosis.decisive?
  )
end

# Each worker takes every second case of its half, sorted by equipment, so that the
# engine's models stay warm.
def work(numbers, seed)
  observers =
    numbers.map { |number| [number, FenboSimulation::CaseMaker.new(Random.new(seed * 1_000_003 + number)).draw] }
  observers
    .sort_by { |number, observer| [observer.rig.family, observer.rig.side, observer.rig.motor, number] }
    .map do |number, observer|
      errand = Errand.new(observer)
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      fenbo = errand.run(Strategies::Offered.new)
      seconds = Process.clock_gettime(Process::CLOCK_MONOTONIC) - start
      beside = (number % BESIDE_EVERY).zero?
      {
        number:,
        fenbo: row(fenbo),
        list: (row(errand.run(Strategies::CheckList.new)) if beside),
        shortest: (Strategies::Clairvoyant.new.minutes(errand) if beside),
        calls: fenbo.tests.size + 1,
        seconds:
      }
    end
end

rows = SpreadWork.over(WORKERS) { |worker| work((0...cases).select { |number| number % WORKERS == worker }, seed) }

def mean(values) = values.sum.fdiv([values.size, 1].max)

def percent(list) = 100.0 * list.count(true) / [list.size, 1].max

def line(name, *figures)
  puts("  #{name.ljust(44)}#{figures.map { |one| one.to_s.rjust(11) }.join}")
end

def two(value) = value.nil? ? "–" : format("%.1f", value)

puts "diagnosis: #{cases} simulated jobs, seed #{seed}; observers err in " \
  "#{(FenboSimulation::Observer::MISTAKE * 100).round} % of their answers, " \
  "#{(FenboSimulation::CaseMaker::TWO_FAULTS * 100).round} % have two faults"
fenbo, list = rows.map { |one| one[:fenbo] }, rows.filter_map { |one| one[:list] }
asked = rows.select { |one| one[:shortest] }
known = rows.select { |one| one[:shortest] && one[:fenbo].decisive }
line "", "Fenbo", "check-list", "clairvoyant"
line "jobs", fenbo.size, list.size, asked.size
line "right cause first, %  (target 92)", two(percent(fenbo.map(&:right))), two(percent(list.map(&:right)))
line "right cause in the first two, %  (97)", two(percent(fenbo.map(&:in_two))), two(percent(list.map(&:in_two)))
line "both of two faults in the first two, %",
  two(percent(fenbo.select(&:two_faults).map(&:both))),
  two(percent(list.select(&:two_faults).map(&:both)))
line "minutes to a decision  (half the list's)", two(mean(fenbo.map(&:minutes))), two(mean(list.map(&:minutes)))
line "  where the clairvoyant finds a way (#{asked.size})",
  two(mean(asked.map { |one| one[:fenbo].minutes })),
  two(mean(asked.map { |one| one[:list].minutes })),
  two(mean(asked.map { |one| one[:shortest] }))
line "  and Fenbo is sure too (#{known.size})  (1.5 ×)",
  two(mean(known.map { |one| one[:fenbo].minutes })),
  two(mean(known.map { |one| one[:list].minutes })),
  two(mean(known.map { |one| one[:shortest] }))
line "tests to a decision", two(mean(fenbo.map(&:tests))), two(mean(list.map(&:tests)))
line "sure (90 %) when it stops, %", two(percent(fenbo.map(&:decisive))), two(percent(list.map(&:decisive)))
line "  right among those, %",
  two(percent(fenbo.select(&:decisive).map(&:right))),
  two(percent(list.select(&:decisive).map(&:right)))
line "wrong parts in 100 jobs", two(100 * mean(fenbo.map(&:wrong_parts))), two(100 * mean(list.map(&:wrong_parts)))
brier = ->(all) { format("%.3f", mean(all.map { |one| (one.chance - (one.right ? 1 : 0))**2 })) }
line "Brier score of the chance given  (0.08)", brier[fenbo], brier[list]
puts "", "  reliability: chance given against how often it was right"
fenbo
  .group_by { |one| [(one.chance * 10).floor, 9].min }
  .sort
  .each do |tenth, all|
    line "  #{tenth * 10} to #{tenth * 10 + 10} %",
      all.size,
      two(100 * mean(all.map(&:chance))),
      two(percent(all.map(&:right)))
  end
puts "",
  "  #{(1000 * rows.sum { |one| one[:seconds] } / rows.sum { |one| one[:calls] }).round(1)} ms a verdict " \
  "with its next test, two workers side by side"
