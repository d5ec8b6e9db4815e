# frozen_string_literal: true

require "json"

# The core's own specs, run by the phone's Ruby: those that need nothing but the core.
class CoreSpecs
  ROOT = File.expand_path("../..", __dir__)
  GEMS = %w[rspec-core rspec-expectations rspec-mocks rspec-support diff-lcs].freeze
  # They start programs, ask the machine, or make sounds.
  LEFT_OUT = %r{core/(script/|command|isolation|knowledge_check|observation/sound/|simulation/|limits_spec)}
  # Examples that want a file of their own.
  WITH_A_FILE = /catalogue (file|from CSV)|answers sound alike/
  BESIDE = %w[
    spec/made_jobs.rb spec/core/limit_cases.yml db/demo/motor_maker.rb script/lib/worlds.rb script/lib/errand.rb
    script/lib/strategies.rb
  ].freeze
  HELPER = <<~RUBY
    require "fenbo_simulation"
    require "made_jobs"
    RSpec.configure do |config|
      config.disable_monkey_patching!
      config.filter_run_excluding :slow
    end
  RUBY
  BEGIN_THEM = <<~RUBY
    #{GEMS.map { |name| %($LOAD_PATH.unshift("/fenbo/gems/#{name}/lib")) }.join("\n")}
    $LOAD_PATH.unshift("/fenbo/spec", "/fenbo/lib")
    require "rspec/core"
    require "rspec/expectations"
    require "rspec/mocks"
    require "spec_helper"
    $told = StringIO.new
  RUBY

  # @return [Array<String>] paths under the project
  def self.paths
    Dir.glob("spec/core/**/*_spec.rb", base: ROOT).grep_v(LEFT_OUT).sort
  end

  # @return [Hash{String => String}] path => text, beside what a phone has
  def self.files
    gems = GEMS.flat_map { |name|
      folder = Gem.loaded_specs.fetch(name) { Gem::Specification.find_by_name(name) }.full_gem_path
      Dir.glob("lib/**/*.rb", base: folder).map { |path| ["gems/#{name}/#{path}", File.read(File.join(folder, path))] }
    }
    own = [*paths, *BESIDE].map { |path| [path, File.read(File.join(ROOT, path))] }
    {**gems.to_h, **own.to_h, "spec/spec_helper.rb" => HELPER}
  end

  # @param both [TwoRubies] begun with these files
  # @return [Array(Integer, Array<String>)] how many went through, and what was said of the others
  def self.run(both)
    both.run("#{BEGIN_THEM}\n''")
    examples = paths.flat_map { |path| JSON.parse(both.run(running(path)))["examples"] }
    counted = examples.reject { |one| one["full_description"].match?(WITH_A_FILE) }
    failed = counted.select { |one| one["status"] == "failed" }
    [counted.size, failed.map { |one| "#{one["full_description"]}: #{one["exception"]["message"]}" }]
  end

  # What runs one file and tells of it.
  # @return [String] Ruby, whose value is JSON
  def self.running(path)
    <<~RUBY
      RSpec.clear_examples
      $told.truncate($told.rewind)
      RSpec::Core::Runner.run(["--no-color", "--format", "json", "/fenbo/#{path}"], $stderr, $told)
      $told.string[/^\\{.*\\}$/m]
    RUBY
  end
end
