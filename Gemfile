# The registry is whatever this machine's RubyGems is set up with.
source Gem.sources.to_a.first.then { |one| one.respond_to?(:uri) ? one.uri.to_s : one.to_s }

# The core (lib/fenbo) needs json_schemer when the knowledge is checked, and numo
gem "json_schemer", "~> 2.3"
gem "numo-pocketfft", "~> 0.5"
gem "rake", "~> 13.0"

group :web do
  gem "activerecord", "~> 7.2.0"
  # Photos in an object store instead of a folder; loaded where FENBO_S3 names one.
  gem "aws-sdk-s3", "~> 1.180", require: false
  gem "bcrypt", "~> 3.1"
  gem "concurrent-ruby", "~> 1.3"
  gem "csv", "~> 3.3"
  gem "erubi", "~> 1.13"
  gem "icalendar", "~> 2.10"
  gem "image_processing", "~> 2.0"
  gem "marcel", "~> 1.0"
  gem "matrix", "~> 0.4"
  gem "money", "~> 6.19"
  gem "pagy", "~> 9.3"
  gem "pg", "~> 1.5"
  gem "prawn", "~> 2.5"
  gem "prawn-svg", "~> 0.38"
  gem "prawn-table", "~> 0.2"
  gem "puma", "~> 8.0"
  # que reads its rows with a keyword that json 3 does not know any more.
  gem "json", "< 3"
  gem "que", "~> 2.4"
  gem "rack", "~> 3.1"
  gem "rack-attack", "~> 6.7"
  gem "rack-protection", "~> 4.1"
  gem "rack-session", "~> 2.1"
  gem "rqrcode_core", "~> 2.0"
  gem "ruby-vips", "~> 2.2"
  gem "rubyzip", "~> 2.4"
  gem "shrine", "~> 3.6"
  gem "sinatra", "~> 4.1"
  gem "zeitwerk", "~> 2.6.18"
  gem "zxcvbn-ruby", "~> 1.2", require: "zxcvbn"
end

group :test do
  gem "axe-core-api", "~> 4.10"
  gem "capybara", "~> 3.40"
  gem "cuprite", "~> 0.15"
  gem "factory_bot", "~> 6.4"
  gem "pdf-reader", "~> 2.14"
  gem "rack-test", "~> 2.1"
  gem "rspec", "~> 3.13"
  gem "simplecov", "~> 0.22", require: false
  gem "standard", "~> 1.40", require: false
end
