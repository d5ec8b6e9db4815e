# frozen_string_literal: true

require "fileutils"
require "simplecov"

# What the core and app suites run of lib and app, by line and by branch, put together from the
# lanes they ran in; below the floor the run fails.
module Covered
  FOLDER = "var/coverage"
  FLOOR = {line: 96, branch: 84}.freeze

  COUNTED = proc do
    enable_coverage :branch
    track_files "{lib,app}/**/*.rb"
    add_filter { |file| %w[lib/ app/].none? { |tree| file.filename.start_with?(File.join(SimpleCov.root, tree)) } }
    # Run by the phone's Ruby alone: spec/browser/pocket_spec.rb goes through it.
    add_filter "/app/pocket/phone/"
    coverage_dir FOLDER
    formatter SimpleCov::Formatter::SimpleFormatter
    merge_timeout 3600
  end

  module_function

  # What this process runs from now on, kept at its end.
  # @param lane [String]
  def count(lane)
    SimpleCov.start(&COUNTED)
    SimpleCov.command_name(lane)
    SimpleCov.at_exit { SimpleCov.result }
  end

  # What earlier runs left.
  def forget = FileUtils.rm_rf(FOLDER)

  # Prints what all lanes cover together.
  # @return [Boolean] whether that reaches the floor
  def enough?
    SimpleCov.collate([File.join(FOLDER, ".resultset.json")], &COUNTED)
    covered = SimpleCov.result.coverage_statistics
    puts format(
      "\ncovered: %.1f %% of the lines of lib and app, %.1f %% of the branches",
      *FLOOR.keys.map { |kind| covered[kind].percent }
    )
    FLOOR.all? { |kind, percent| covered[kind].percent >= percent }
  end
end
