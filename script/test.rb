# frozen_string_literal: true

# The second half of bin/test: linters, knowledge, rooms, scripts, then RSpec, two lanes at
# once, each on a database of its own (fast, not durable): core and app, with what they
# cover of lib and app; and the browser in two halves. The summaries stand last.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require_relative "lib/private_postgres"
require_relative "lib/lanes"

ROOT = File.expand_path("..", __dir__)
Dir.chdir(ROOT)
SUITES = %w[quick core app browser].freeze

suite = ARGV.shift if SUITES.include?(ARGV.first)
# A file named on the command line is run instead of the suites.
files = ARGV.any? { |argument| argument.start_with?("spec/") }

def rspec(*arguments) = ["bundle", "exec", "rspec", *arguments]

def database(postgres, name)
  postgres.drop_database(name)
  postgres.create_database(name)
  {"DATABASE_URL" => postgres.url(name), "FENBO_FILES" => File.join(ROOT, "var", name)}
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
Lanes.checks(CHECKS) unless suite || files

postgres = with_postgres
exit(system(database(postgres, "fenbo_test"), *rspec(*("spec/#{suite}" if suite), *ARGV)) ? 0 : 1) if suite || files

# Those that take longest, about two thirds of the time of all.
LONG = %w[bad_days care killed_browser pocket work].map { |name|
  "spec/browser/#{name}_spec.rb"
}.freeze
browser = ->(name, files) {
  Lanes::Lane.new(name, database(postgres, "fenbo_#{name.tr(" ", "_")}"), rspec(*files, "--profile", "10"))
}
lanes = [
  browser["browser", LONG],
  Lanes::Lane.new(
    "core and app",
    database(postgres, "fenbo_test").merge("FENBO_COVERAGE" => "1"),
    rspec("spec/core", "spec/app", "--tag", "~slow")
  ),
  browser["browser rest", Dir["spec/browser/*_spec.rb"].sort - LONG],
  # Counting what they cover would take them twice as long.
  Lanes::Lane.new("slow of the core", {}, rspec("spec/core", "--tag", "slow"))
]
exit(Lanes.run(lanes) ? 0 : 1)
