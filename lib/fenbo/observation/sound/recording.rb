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
        Result.new(verdict:, figures: {kinds:, figures: numbers}, reasons:)
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

      private

      def wav = question.wav

      def samples = @samples ||= wav.samples - wav.samples.mean

      def level_dbfs
        @level_dbfs ||= 10 * Math.log10((samples**2).mean + 1e-20)
      end

      def silent? = level_dbfs < limits["sound.silent_dbfs"]

      def clipped?
        return @clipped if defined?(@clipped)
        @clipped = (wav.samples.abs >= FULL_SCALE).count_true > CLIPPED_SHARE * wav.samples.size
      end

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

      SAYING = {
        "healthy" => "Blade pass and moving air, nothing that ticks, roars or grinds",
        "bearing" => "The high band is impulsive and keeps no time with the shaft: rolling elements over a flaw",
        "strike" => "Clicks once a turn or once a blade: something touches the blade",
        "scrape" => "A hiss that swells once a turn: the blade drags on something",
        "imbalance" => "One strong line once a turn: blade out of balance, broken, caked or bent",
        "hum" => "Twice the line frequency and its multiples and no blade: stalled, or only electrical",
        "chatter" => "Rapid blows at twice the line frequency: contactor or relay",
        "unclear" => "Nothing in it decides: record again, closer, with the cover as found"
      }.freeze

      def reasons
        if silent?
          return [
            limit_reason(
              "The recording is at its floor, #{level_dbfs.round} dBFS: nothing is heard",
              "sound.silent_dbfs",
              value: level_dbfs.round(1)
            )
          ]
        end
        if clipped?
          return [
            reason(
              "The recording is clipped: it tells nothing. Hold the phone further off and record again",
              "sound.clipped",
              source: "looking/sound"
            )
          ]
        end
        [
          reason(
            SAYING.fetch(verdict),
            "sound.#{verdict}",
            value: classifier.weights.first.last.round(2),
            source: "looking/sound"
          ),
          figure_reason,
          speed_reason,
          supporting
        ].compact
      end

      def figure_reason
        case verdict
        when "bearing"
          limit_reason(
            "Kurtosis of the high band #{envelope.kurtosis.round(1)}, where plain noise has 3",
            "sound.kurtosis",
            value: envelope.kurtosis.round(2)
          )
        when "scrape"
          limit_reason(
            "Its level swings by #{(classifier.swing * 100).round} % once a turn",
            "sound.swing",
            value: classifier.swing.round(2)
          )
        when "imbalance"
          limit_reason(
            "#{(classifier.shaft_line_share * 100).round} % of shaft and blade lines is the shaft's own",
            "sound.shaft_share",
            value: classifier.shaft_line_share.round(2)
          )
        when "hum"
          limit_reason(
            "#{(classifier.hum_share * 100).round} % of the sound is line hum",
            "sound.hum_share",
            value: classifier.hum_share.round(2)
          )
        end
      end

      def speed_reason
        unless speed.known?
          return (
            reason(
              "Its speed could not be told from the sound; give it if you know it",
              "sound.speed",
              source: "looking/sound"
            )
          )
        end
        reason(
          "Turns at about #{speed.rpm.round} rpm, #{speed.blades} blades",
          "sound.speed",
          value: speed.rpm.round,
          source: "looking/sound"
        )
      end

      def supporting
        reason("A recording supports; amps, spin and play decide", "sound.supporting", source: "looking/sound")
      end
    end
  end
end
