# frozen_string_literal: true

require "json"
require "open3"

# Templates as the formatter writes them, without faults of the linter, and no line too
# long to read. `--fix` formats them.
class TemplateLint
  LONGEST = 140
  WIDTH = "110"
  ALL = "app/**/*.erb"

  # The linter's parser gives up after a second. On a busy machine that says nothing of the
  # template, so what timed out is read again by itself, and is a fault only if it stays one.
  TIMED_OUT = "TIMEOUT_ERROR"
  TRIES = 5

  def initialize(fix:) = @fix = fix

  def clean?
    told = [*unformatted, *faults, *long]
    puts told
    told.empty?
  end

  private

  def unformatted
    asked = ["npx", "--no-install", "herb-format", *("--check" unless @fix), "--max-line-length", WIDTH]
    tries = 0
    tries += 1 until (done = system(*asked, ALL, out: File::NULL, err: File::NULL)) || @fix || tries == TRIES
    done ? [] : ["Some templates are not formatted: ruby script/lint_templates.rb --fix"]
  end

  def faults
    found = lint([ALL])
    TRIES.times do
      late = found.select { |one| timed_out?(one) }.map { |one| one["filename"] }.uniq
      break if late.empty?
      found = found.reject { |one| late.include?(one["filename"]) } + late.flat_map { |file| lint([file]) }
    end
    found.map { |one| in_words(one) }
  end

  def lint(files)
    out, = Open3.capture2("npx", "--no-install", "herb-lint", "--json", *files, err: File::NULL)
    JSON.parse(out.lines.drop_while { |line| !line.start_with?("{") }.join).fetch("offenses")
      .select { |one| one["severity"] == "error" }
  end

  def timed_out?(one)
    one.to_s.include?(TIMED_OUT) || one["message"].to_s.include?("timed out")
  end

  def in_words(one)
    start = one.dig("location", "start") || {}
    "#{one["filename"]}:#{start["line"]} #{one["message"]} (#{one["code"]})"
  end

  def long
    Dir[ALL].sort.flat_map do |file|
      File.readlines(file, chomp: true).each_with_index.filter_map do |line, index|
        "#{file}:#{index + 1} has #{line.size} columns, #{LONGEST} at most" if line.size > LONGEST
      end
    end
  end
end

exit(TemplateLint.new(fix: ARGV.include?("--fix")).clean?)
