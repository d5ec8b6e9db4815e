# frozen_string_literal: true

# Templates as the formatter writes them, without faults of the linter, and no line too
# long to read. `--fix` formats them.
LONGEST = 140
WIDTH = "110"

fix = ARGV.include?("--fix")
templates = Dir["app/**/*.erb"].sort
formatted =
  system(
    "npx",
    "--no-install",
    "herb-format",
    *("--check" unless fix),
    "--max-line-length",
    WIDTH,
    "app/**/*.erb",
    out: File::NULL,
    err: File::NULL
  )
linted = system("npx", "--no-install", "herb-lint", "--simple", "--no-color", "--no-timing", "app/**/*.erb")
long =
  templates.flat_map do |file|
    File
      .readlines(file, chomp: true)
      .each_with_index
      .filter_map do |line, index|
        "#{file}:#{index + 1} has #{line.size} columns, #{LONGEST} at most" if line.size > LONGEST
      end
  end
puts "Some templates are not formatted: ruby script/lint_templates.rb --fix" unless formatted
puts long
exit(formatted && linted && long.empty?)
