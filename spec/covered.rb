# frozen_string_literal: true

# What the core and app suites run of lib and app, by line and by branch; below the
# floor the run fails.
require "simplecov"

SimpleCov.start do
  enable_coverage :branch
  track_files "{lib,app}/**/*.rb"
  add_filter { |file| !file.filename.start_with?(File.join(SimpleCov.root, "lib/"), File.join(SimpleCov.root, "app/")) }
  # Run by the phone's Ruby alone: spec/browser/pocket_spec.rb goes through it.
  add_filter "/app/pocket/phone/"
  coverage_dir "var/coverage"
  minimum_coverage line: 96, branch: 84
  formatter SimpleCov::Formatter::SimpleFormatter
end

SimpleCov.at_exit do
  SimpleCov.result.format!
  covered = SimpleCov.result.coverage_statistics
  lines, branches = covered[:line], covered[:branch]
  puts format("covered: %.1f %% of the lines of lib and app, %.1f %% of the branches", lines.percent, branches.percent)
end
