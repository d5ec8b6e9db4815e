# frozen_string_literal: true

require "rbconfig"

module Fenbo
  # What a recording of one fan can show. Supporting evidence: amps, spin and play
  # decide.
  #   Recording   the tool
  #   Reasons     what it shows, in words
  #   Wav         PCM and float WAV, read to one channel
  #   Spectrum    Welch power spectrum, and lines on it
  #   Envelope    how the high band rises and falls, and its own spectrum
  #   Speed       the shaft rate, given or searched for
  #   Curves      what is drawn of it
  #   Classifier  from figures to kinds with weights
  module Sound
    autoload :Classifier, "fenbo/observation/sound/classifier"
    autoload :Curves, "fenbo/observation/sound/curves"
    autoload :Envelope, "fenbo/observation/sound/envelope"
    autoload :Hearing, "fenbo/observation/sound/hearing"
    autoload :Reasons, "fenbo/observation/sound/reasons"
    autoload :Recording, "fenbo/observation/sound/recording"
    autoload :Spectrum, "fenbo/observation/sound/spectrum"
    autoload :Speed, "fenbo/observation/sound/speed"
    autoload :Wav, "fenbo/observation/sound/wav"

    KINDS = %w[healthy bearing strike scrape imbalance hum chatter silent unclear].freeze
    GEMS = File.expand_path("../../../vendor/bundle/ruby/#{RbConfig::CONFIG["ruby_version"]}", __dir__)

    # Numo is the one library the core needs, and only here. The command runs without
    # RubyGems; there the gems lie where bin/start put them.
    # @raise [MissingLibrary] when they are not there
    def self.numo!
      return if @numo
      begin
        require "numo/pocketfft"
      rescue LoadError
        require "rubygems"
        Gem.paths = {"GEM_HOME" => GEMS, "GEM_PATH" => GEMS}
        begin
          require "numo/pocketfft"
        rescue LoadError
          raise MissingLibrary, "numo-pocketfft"
        end
      end
      @numo = true
    end
  end
end
