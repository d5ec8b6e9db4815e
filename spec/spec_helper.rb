# frozen_string_literal: true

if ENV["FENBO_COVERAGE"]
  require_relative "covered"
  Covered.count(ENV["FENBO_COVERAGE"])
end

$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "fenbo_simulation"
require_relative "made_jobs"

RSpec.configure do |config|
  config.disable_monkey_patching!
  config.order = :random
  config.backtrace_exclusion_patterns << %r{/vendor/bundle/}
  Kernel.srand config.seed
  config.example_status_persistence_file_path = File.expand_path("../tmp/rspec-status", __dir__)
end
