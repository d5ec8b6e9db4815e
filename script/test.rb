# frozen_string_literal: true

# The second half of bin/test: a database of its own (fast, not durable), the
# linter, the knowledge check, then RSpec, whose summary stands last.
IO.for_fd(9, autoclose: false).close_on_exec = true if File.exist?("/proc/self/fd/9")

require_relative "lib/private_postgres"

ROOT = File.expand_path("..", __dir__)
Dir.chdir(ROOT)
SUITES = %w[core app browser].freeze

suites = SUITES.include?(ARGV.first) ? [ARGV.shift] : SUITES
# A file named on the command line is run instead of the suites.
paths = (ARGV.any? { |argument| argument.start_with?("spec/") }) ? [] : suites.map { |suite| "spec/#{suite}" }

def step(name, *command)
  puts "  #{name}"
  return if system(*command)
  abort "\n#{name} failed. The command was: #{command.join(" ")}"
end

step "linter", "bundle", "exec", "standardrb"
step "knowledge", "bundle", "exec", "rake", "--quiet", "knowledge:check"

ENV["RACK_ENV"] = "test"
ENV["FENBO_SECRET"] = "0" * 128
postgres = nil
unless suites == ["core"]
  begin
    postgres = PrivatePostgres.new(ROOT, name: "test-postgres", durable: false).start
    at_exit { postgres.stop }
    postgres.drop_database("fenbo_test")
    postgres.create_database("fenbo_test")
    ENV["DATABASE_URL"] = postgres.url("fenbo_test")
    ENV["FENBO_FILES"] = File.join(ROOT, "var", "test-files")
  rescue PrivatePostgres::Failed, SystemCallError => problem
    abort "\nThe test database could not be started: #{problem.message}\nLook into var/test-postgres/log."
  end
end

exit(system("bundle", "exec", "rspec", *paths, *ARGV) ? 0 : 1)
