# frozen_string_literal: true

module Fenbo
  module Sound
    # Says in words what a recording shows.
    class Reasons
      include Reasoning

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

      # @param recording [Recording]
      def initialize(recording)
        @recording = recording
        @limits = recording.limits
      end

      def list
        if @recording.silent?
          return [
            limit_reason(
              "The recording is at its floor, #{@recording.level_dbfs.round} dBFS: nothing is heard",
              "sound.silent_dbfs",
              value: @recording.level_dbfs.round(1)
            )
          ]
        end
        if @recording.clipped?
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

      private

      attr_reader :limits

      def verdict = @recording.verdict

      def classifier = @recording.classifier

      def envelope = @recording.envelope

      def speed = @recording.speed

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
