# frozen_string_literal: true

module Fenbo
  module Sound
    # What a recording of one fan says.
    #
    # in:  wav, a path (over HTTP the file itself); rpm and blades where known; hertz of
    #      the line, 50 where not said
    # out: verdict and kinds [{id, weight}] of Sound::KINDS, and the figures behind them
    # A clipped recording is `unclear`; one that is missing, no WAV or shorter than two
    # seconds is bad input. Supporting evidence: amps, spin and play decide.
    # Source: docs/sources.md, looking/sound.
    class Recording < Tool
      Question = Value.of(:wav, :rpm, :blades, :hertz)
      SHORTEST_S = 2.0
      LONGEST_S = 120.0
      LARGEST = 64 * 1024 * 1024
      # Samples at the very end of the scale, as a share, from which a recording counts
      # as clipped; one lone peak does not.
      CLIPPED_SHARE = 5e-4
      FULL_SCALE = 0.999
      RESOLUTION_HZ = 1.5

      class << self
        def read(input, _limits)
          Question.new(
            wav: read_wav(input),
            rpm: input.number("rpm", required: false, above: 0, at_most: 20_000),
            blades: input.integer("blades", required: false, at_least: 1, at_most: 24),
            hertz: input.number("hertz", required: false, at_least: 16, at_most: 400) || 50
          )
        end

        private

        # The bytes themselves (from the application) or a path.
        def read_wav(input)
          bytes = input.raw("wav_bytes") || file(input) or return nil
          wav = Wav.parse(bytes)
          if wav.seconds < SHORTEST_S
            return input.fault("wav", "lasts #{wav.seconds.round(1)} s; it takes #{SHORTEST_S.to_i} s at least")
          end
          return input.fault("wav", "lasts longer than #{LONGEST_S.to_i} s") if wav.seconds > LONGEST_S
          wav
        rescue Wav::Unreadable => problem
          input.fault("wav", problem.message)
        end

        def file(input)
          path = input.text("wav", longest: 4096) or return nil
          unless File.file?(path) && File.readable?(path)
            return input.fault("wav", "cannot be read: there is no such file")
          end
          return input.fault("wav", "is larger than #{LARGEST / 1024 / 1024} MB") if File.size(path) > LARGEST
          File.binread(path)
        end
      end

      def answer
        Result.new(verdict:, figures: {kinds:, figures: numbers}, reasons: Reasons.new(self).list)
      end

      def verdict
        return "silent" if silent?
        return "unclear" if clipped?
        kind, weight = classifier.weights.first
        (weight >= limits["sound.sure"]) ? kind : "unclear"
      end

      def kinds
        return [{id: verdict, weight: 1.0}] if silent? || clipped?
        classifier.weights.map { |kind, weight| {id: kind, weight: weight.round(3)} }
      end

      def spectrum
        @spectrum ||= Spectrum.of(samples, wav.rate, resolution: RESOLUTION_HZ)
      end

      def envelope = @envelope ||= Envelope.of(samples, wav.rate)

      def speed
        @speed ||=
          Speed.new(spectrum, envelope.spectrum, rpm: question.rpm, blades: question.blades, hertz: question.hertz)
      end

      def classifier
        @classifier ||= Classifier.new(spectrum, envelope, speed, hertz: question.hertz, limits:)
      end

      def level_dbfs
        @level_dbfs ||= 10 * Math.log10((samples**2).mean + 1e-20)
      end

      def silent? = level_dbfs < limits["sound.silent_dbfs"]

      def clipped?
        return @clipped if defined?(@clipped)
        @clipped = (wav.samples.abs >= FULL_SCALE).count_true > CLIPPED_SHARE * wav.samples.size
      end

      private

      def wav = question.wav

      def samples = @samples ||= wav.samples - wav.samples.mean

      def numbers
        base = {seconds: wav.seconds.round(2), sample_rate: wav.rate, level_dbfs: level_dbfs.round(1)}
        if silent?
          return (
            base.merge(
              shaft_hz: nil,
              blade_pass_hz: nil,
              rpm_estimate: nil,
              rpm_confidence: 0.0,
              band_kurtosis: nil,
              crest: nil,
              hum_share: nil,
              shaft_line_share: nil
            )
          )
        end
        base.merge(
          shaft_hz: speed.shaft_hz&.round(2),
          blade_pass_hz: speed.blade_pass_hz&.round(1),
          rpm_estimate: speed.rpm&.round,
          rpm_confidence: speed.confidence.round(2),
          band_kurtosis: envelope.kurtosis.round(2),
          crest: envelope.crest.round(1),
          hum_share: classifier.hum_share.round(3),
          shaft_line_share: classifier.shaft_line_share.round(3)
        )
      end
    end
  end
end
