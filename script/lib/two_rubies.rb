# frozen_string_literal: true

require "json"
require "yaml"

# The same questions to the server's Ruby and to the phone's, which have to give the same
# answers. The questions: every tool's own example, those that stand beside a limit, and as many
# more as wanted, with their figures moved a little.
class TwoRubies
  ROOT = File.expand_path("../..", __dir__)
  LIMIT_CASES = File.join(ROOT, "spec/core/limit_cases.yml")
  # A recording is a file: see `heard`.
  LEFT_OUT = %w[sound].freeze
  AT_ONCE = 20

  # @param browser [Ferrum::Browser] on a page of Fenbo's, signed in; its policy is passed by
  def initialize(browser)
    @browser = browser
  end

  # @param each [Integer] questions a tool beside the held ones
  # @return [Array<Array>] [tool, question]
  def self.cases(each:, random:)
    held = held_cases
    by_tool = held.group_by(&:first)
    held + by_tool.flat_map { |tool, rows| Array.new(each) { [tool, moved(rows.sample(random:).last, random)] } }
  end

  def self.held_cases
    beside = YAML.load_file(LIMIT_CASES, aliases: true).flat_map { |tool, rows|
      rows.map { |row| [tool, example(tool).merge(row)] }
    }
    own = Fenbo::Tools.names.map { |tool| [tool.to_s, example(tool)] }
    JSON.parse(JSON.generate((own + beside).reject { |row| LEFT_OUT.include?(row.first) }))
  end

  def self.example(tool) = Fenbo::Tools.entry(tool).example

  # Every figure a little more or less; whole ones stay whole.
  def self.moved(value, random)
    case value
    when Hash then value.transform_values { |one| moved(one, random) }
    when Array then value.map { |one| moved(one, random) }
    when Integer then (random.rand < 0.2) ? value + random.rand(-1..1) : value
    when Float then (value * random.rand(0.85..1.15)).round(3)
    else value
    end
  end

  # @param more [Hash{String => String}] files by their path, beside what a phone has
  def begin(more = {})
    bundle = IO.popen(["npx", "--no-install", "esbuild", File.join(__dir__, "two_rubies.js"), "--bundle",
      "--format=iife", "--target=es2022", "--log-level=error"], chdir: ROOT, &:read)
    @browser.execute(bundle)
    @browser.evaluate_async("window.twoRubies.begin(#{JSON.generate(more)}).then(arguments[0], " \
      "(problem) => arguments[0](String(problem)))", 60)
  end

  # Runs a program in the phone's Ruby.
  # @return [String]
  def run(program)
    @browser.evaluate("window.twoRubies.run(#{JSON.generate(program)})")
  end

  # A recording, read by both.
  # @param wav [String] bytes of a WAV file
  # @return [Array(Hash, Hash, Float)] this Ruby's answer, the phone's, and the seconds that took
  def heard(wav)
    here = JSON.parse(JSON.generate(Fenbo::Tools.call("sound", {"wav_bytes" => wav}).as_json))
    there = JSON.parse(@browser.evaluate("window.twoRubies.hear(#{JSON.generate([wav].pack("m0"))})"))
    [here, there["answer"], there["seconds"]]
  end

  # @return [Array<Hash>] tool, question and both answers, where they are not the same
  def differences(cases)
    cases.each_slice(AT_ONCE).flat_map do |some|
      phone = JSON.parse(@browser.evaluate("window.twoRubies.ask(#{JSON.generate(JSON.generate(some))})"))
      some.zip(phone).filter_map do |(tool, asked), there|
        here = JSON.parse(JSON.generate(Fenbo::Tools.call(tool, asked).as_json))
        {tool:, asked:, here:, there:} unless here == there
      end
    end
  end
end
