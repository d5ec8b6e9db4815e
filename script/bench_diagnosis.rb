# frozen_string_literal: true

# bin/bench diagnosis [CASES] [SEED]: draws jobs from two simulated worlds that know nothing
# of the engine's likelihoods nor of each other, and brings each to a decision as Fenbo
# offers, then through its retest; every few of them by the check-list, by the whole list and
# by a clairvoyant as well. Writes nothing.
$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "fenbo_simulation"
require_relative "lib/spread_work"
require_relative "lib/errand"
require_relative "lib/strategies"
require_relative "lib/worlds"

cases = Integer(ARGV[0] || 2000)
seed = Integer(ARGV[1] || 20_31)
WORKERS = 2
# What Fenbo is held against is worked out on every so many cases: it takes long.
BESIDE_EVERY = 20
Row = Struct.new(
  :minutes, :tests, :right, :in_two, :exact, :exact_after, :likely, :faults, :missed, :wrong_parts, :chance,
  :set_chance, :decisive
)

def row(outcome)
  Row.new(
    outcome.minutes, outcome.tests.size, outcome.right?, outcome.in_two?, outcome.exact?, outcome.exact_after?,
    outcome.all_likely?, outcome.faults.size, outcome.missed.size, outcome.wrong_parts, outcome.chance,
    outcome.set_chance, outcome.diagnosis.decisive?
  )
end

# Each worker takes every second case, sorted by equipment, so that the engine's models
# stay warm.
def work(world, numbers, seed)
  numbers
    .map { |number| [number, world.draw(seed, number)] }
    .sort_by { |number, job| [job.rig.family, job.rig.side, job.rig.motor, number] }
    .map { |number, job| run(job, (number % BESIDE_EVERY).zero?) }
end

def run(job, beside)
  errand = Errand.new(job)
  start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  fenbo = errand.run(Strategies::Offered.new)
  seconds = Process.clock_gettime(Process::CLOCK_MONOTONIC) - start
  fenbo.retest = errand.proved(fenbo, Strategies::Offered.new)
  {
    fenbo: row(fenbo),
    list: (row(errand.run(Strategies::CheckList.new)) if beside),
    whole: (row(errand.run(Strategies::CheckList.new(whole: true))) if beside),
    shortest: (Strategies::Clairvoyant.new.minutes(errand) if beside),
    calls: fenbo.tests.size + 1,
    seconds:
  }
end

def mean(values) = values.sum.fdiv([values.size, 1].max)

def percent(list) = 100.0 * list.count(true) / [list.size, 1].max

def line(name, *figures)
  puts("  #{name.ljust(46)}#{figures.map { |one| one.to_s.rjust(11) }.join}")
end

def one(value) = value.nil? ? "–" : format("%.1f", value)

def brier(all, given, came)
  format("%.3f", mean(all.map { |row| (row[given] - (row[came] ? 1 : 0))**2 }))
end

def by_faults(rows)
  puts "", "  by the number of faults"
  line "", "none", "one", "two", "three"
  groups = (0..3).map { |size| rows.select { |row| row.faults == size } }
  line "jobs", *groups.map(&:size)
  {"leading is true, %" => :right, "a true one in two, %" => :in_two, "exact set, %" => :exact,
   "exact set with the retest, %" => :exact_after, "just the faults at 0.5 or more, %" => :likely}.each do |name, field|
    line name, *groups.map { |all| one(percent(all.map(&field))) }
  end
  line "minutes", *groups.map { |all| one(mean(all.map(&:minutes))) }
end

def tenths(rows, given, came, name)
  puts "", "  #{name}: chance given against how often it was so"
  rows
    .group_by { |row| [(row[given] * 10).floor, 9].min }
    .sort
    .each do |tenth, all|
      line "  #{tenth * 10} to #{tenth * 10 + 10} %", all.size, one(100 * mean(all.map(&given))),
        one(percent(all.map(&came)))
    end
end

def report(world, rows, trip)
  ways = {"Fenbo" => rows.map { |row| row[:fenbo] }, "check-list" => rows.filter_map { |row| row[:list] },
          "whole list" => rows.filter_map { |row| row[:whole] }}
  asked = rows.select { |row| row[:shortest] }
  puts "", world::NAME
  line "", *ways.keys, "clairvoyant"
  line "jobs", *ways.values.map(&:size), asked.size
  {"leading is true, %  (94)" => :right, "a true one among the first two, %  (98)" => :in_two, "exact set, %" => :exact,
   "just the faults at 0.5 or more, %" => :likely, "decisive, %" => :decisive}.each do |name, field|
    line name, *ways.values.map { |all| one(percent(all.map(&field))) }
  end
  line "minutes to a decision  (22)", *ways.values.map { |all| one(mean(all.map(&:minutes))) },
    one(mean(asked.map { |row| row[:shortest] }))
  line "  of Fenbo where the clairvoyant finds a way", one(mean(asked.map { |row| row[:fenbo].minutes }))
  line "tests to a decision", *ways.values.map { |all| one(mean(all.map(&:tests))) }
  line "wrong parts in 100 jobs  (3)", *ways.values.map { |all| one(100 * mean(all.map(&:wrong_parts))) }
  line "missed faults in 100 jobs", *ways.values.map { |all| one(100 * mean(all.map(&:missed))) }
  line "  their second trips, minutes a job", *ways.values.map { |all| one(trip * mean(all.map(&:missed))) }
  line "Brier score of causes", *ways.values.map { |all| brier(all, :chance, :right) }
  line "Brier score of sets  (0.12)", *ways.values.map { |all| brier(all, :set_chance, :exact) }
  by_faults(ways["Fenbo"])
  tenths(ways["Fenbo"], :chance, :right, "leading cause")
  tenths(ways["Fenbo"], :set_chance, :exact, "leading set")
  puts "", "  #{(1000 * rows.sum { |row| row[:seconds] } / rows.sum { |row| row[:calls] }).round(1)} ms a verdict " \
    "with its next test, two workers side by side"
end

trip = Fenbo::Limits.default["diagnosis.second_trip_minutes"]
puts "diagnosis: #{cases} simulated jobs of each world, seed #{seed}; observers err in 4 % of their answers"
Worlds::ALL.each do |world|
  rows = SpreadWork.over(WORKERS) { |worker|
    work(world, (0...cases).select { |number|
      number % WORKERS == worker
    }, seed)
  }
  report(world, rows, trip)
end
