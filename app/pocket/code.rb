# frozen_string_literal: true

require "digest"

module Pocket
  # What the phone's Ruby reads: the core with its knowledge, the stations with their templates
  # and drawings, the gems they stand on, and what stands for the database (phone/). One JSON
  # object of paths and texts, the same for everybody until the next release.
  class Code
    ROOT = File.expand_path("../..", __dir__)
    OWN = %w[lib/fenbo.rb lib/fenbo/**/*.{rb,yml} lib/fenbo_simulation.rb lib/fenbo_simulation/**/*.rb
      app/paths.rb app/{bench,shared}/**/*.{rb,erb}
      app/stations/{call,look,measure,decide,work_plan,prove,hand_over}/**/*.{rb,erb} app/records/entries/*.rb
      app/records/{current,not_allowed,picture_rules,policy,shop_experience,shop_settings,taking}.rb
      app/pocket/first_come.rb
      app/pocket/phone/**/*.{rb,erb}
      config/words.yml].freeze
    GEMS = %w[activemodel activesupport base64 concurrent-ruby connection_pool erubi i18n logger marcel money mustermann
      rack rack-protection rack-session ruby2_keywords sinatra tilt tzinfo zeitwerk].freeze
    # Beside their Ruby: names of currencies, and words.
    BESIDE = %w[config/*.json locale/en.yml lib/**/*.yml].freeze

    class << self
      # @return [Hash{String => String}] paths under the phone's home, with what is in them
      def files
        @files ||= own.merge(gems, "load_path" => [*load_path, "lib"].join("\n"))
      end

      # Told apart by it: as long as it is the same, a phone need not fetch it again.
      def release
        @release ||= Digest::SHA256.hexdigest(files.sort.join("\0"))[0, 16]
      end

      def json = @json ||= JSON.generate(release:, files:)

      private

      def own
        Dir.glob(OWN, base: ROOT).sort.to_h { |path| [path, File.read(File.join(ROOT, path))] }
      end

      def gems
        specs.flat_map { |spec|
          Dir.glob(["{#{spec.require_paths.map { |one| inside(spec, one) }.join(",")}}/**/*.rb", *BESIDE],
            base: spec.full_gem_path).map { |path| ["gems/#{spec.name}/#{path}", File.join(spec.full_gem_path, path)] }
        }.to_h { |path, file| [path, File.read(file)] }
      end

      def load_path
        specs.flat_map { |spec| spec.require_paths.map { |one| "gems/#{spec.name}/#{inside(spec, one)}" } }
      end

      # A gem with compiled parts names where those lie too.
      def inside(spec, path) = path.delete_prefix("#{spec.full_gem_path}/")

      def specs
        all = Bundler.load.specs.index_by(&:name)
        GEMS.filter_map { |name| all[name] }
      end
    end
  end
end
