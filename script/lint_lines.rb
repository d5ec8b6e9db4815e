# frozen_string_literal: true

# Lines of 120 columns at most, endless methods of 80: over the files git knows.
files =
  IO.popen(%w[git ls-files -co --exclude-standard -- *.rb bin/clamp bin/fenbo Rakefile Gemfile], &:read).split("\n")
files = files.select { |file| File.file?(file) }
exec("bundle", "exec", "rubocop", "-c", "config/lines.yml", *(ARGV.include?("--fix") ? ["-a"] : []), *files)
