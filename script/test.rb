# frozen_string_literal: true

# The second half of bin/test: linters, knowledge, rooms, scripts, then RSpec in lanes side by
# side, each on a database of its own (fast, not durable) that begins as a copy of the demo
# world. With `all`, what core and app cover of lib and app is put together. The summaries stand last.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require "fileutils"
require_relative "lib/private_postgres"
require_relative "lib/lanes"
require_relative "../spec/covered"

ROOT = File.expand_path("..", __dir__)
Dir.chdir(ROOT)
SUITES = %w[quick core app browser all].freeze

suite = ARGV.shift if SUITES.include?(ARGV.first)
# A file named on the command line is run instead of the suites.
files = ARGV.any? { |argument| argument.start_with?("spec/") }

def rspec(*arguments) = ["bundle", "exec", "rspec", *arguments]

# @param as [String] the database whose rows and files it begins with
def database(postgres, name, as: nil)
  postgres.drop_database(name)
  postgres.create_database(name, **{as:}.compact)
  files = File.join(ROOT, "var", name)
  FileUtils.rm_rf(files)
  FileUtils.cp_r(File.join(ROOT, "var", as), files) if as
  {"DATABASE_URL" => postgres.url(name), "FENBO_FILES" => files}
end

def with_postgres
  postgres = PrivatePostgres.new(ROOT, name: "test-postgres", durable: false).start
  at_exit { postgres.stop }
  postgres
rescue PrivatePostgres::Failed, SystemCallError => problem
  abort "\nThe test database could not be started: #{problem.message}\nLook into var/test-postgres/log."
end

CHECKS = [
  %w[linter bundle exec standardrb],
  %w[lines bundle exec ruby script/lint_lines.rb],
  %w[templates bundle exec ruby script/lint_templates.rb],
  %w[knowledge bundle exec rake --quiet knowledge:check],
  %w[rooms bundle exec rake --quiet rooms:check],
  %w[scripts npm test --silent]
].freeze

# Room to work in: a fifth of the time went into clearing up.
ENV["RUBY_GC_HEAP_INIT_SLOTS"] = "3000000"
ENV["RUBY_GC_MALLOC_LIMIT"] = "64000000"
ENV["RUBY_GC_MALLOC_LIMIT_MAX"] = "256000000"
ENV["RUBY_GC_OLDMALLOC_LIMIT"] = "256000000"
ENV["RUBY_GC_OLDMALLOC_LIMIT_MAX"] = "512000000"
ENV["RACK_ENV"] = "test"
ENV["FENBO_SECRET"] = "0" * 128

exec(*rspec("spec/core", "--tag", "~slow", *ARGV)) if suite == "quick"
exec(*rspec("spec/core", *ARGV)) if suite == "core"
postgres = with_postgres
everything = suite == "all"
if (suite && !everything) || files
  exit(system(database(postgres, "fenbo_test"), *rspec(*("spec/#{suite}" if suite), *ARGV)) ? 0 : 1)
end

WORLD = "fenbo_world"
LOAD = %w[bundle exec ruby -I spec -r rspec -r app_helper -e exit].freeze
Lanes.checks([["demo world", database(postgres, WORLD), *LOAD], *CHECKS])

# What goes through a browser, in three lanes of about as long.
PHONE = %w[bad_days pocket].freeze
HANDS = %w[care killed_browser whole_job work].freeze
REST = Dir["spec/browser/*_spec.rb"].map { |file| File.basename(file, "_spec.rb") }.sort - PHONE - HANDS
APP = Dir["spec/app/*_spec.rb"].sort.partition.with_index { |_, index| index.even? }

lane = ->(name, files, more = {}) {
  base = database(postgres, "fenbo_#{name.tr(" ", "_")}", as: WORLD)
  Lanes::Lane.new(name, base.merge(more), rspec(*files, *("--tag=~slow" unless everything), "--profile", "10"))
}
browser = ->(name, files) { lane[name, files.map { |file| "spec/browser/#{file}_spec.rb" }] }
# Counting what they cover makes them a third slower: all of it is counted, or none.
counted = ->(name) { everything ? {"FENBO_COVERAGE" => name} : {} }
app = ->(name, files) { lane[name, files, counted[name]] }
Covered.forget
lanes = [
  browser["browser phone", PHONE],
  browser["browser rest", REST],
  app["app one", APP.first],
  app["app two", APP.last],
  browser["browser hands", HANDS],
  Lanes::Lane.new("core", counted["core"], rspec("spec/core", "--tag", "~slow"))
]
# Counting what they cover would take them twice as long.
lanes << Lanes::Lane.new("slow of the core", {}, rspec("spec/core", "--tag", "slow")) if everything
went_well = Lanes.run(lanes)
puts "", "What takes long was left out, and nobody counted what is covered: bin/test all does both." unless everything
exit((went_well && (!everything || Covered.enough?)) ? 0 : 1)
