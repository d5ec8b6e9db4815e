# frozen_string_literal: true

module Fenbo
  module Sound
    # From the figures of a recording to kinds with weights. Each kind has a fit from 0
    # to 1, softly round the limits in limits.yml (sound.*); what none explains is
    # healthy when a fan is heard, unclear when not.
    class Classifier
      # Multiples of the shaft rate looked at on the envelope's spectrum.
      MULTIPLES = (1..8)
      # A line on the envelope's spectrum counts from here, dB over its surroundings.
      LINE_DB = 11.0

      attr_reader :spectrum, :envelope, :speed

      def initialize(spectrum, envelope, speed, hertz:, limits:)
        @spectrum = spectrum
        @envelope = envelope
        @speed = speed
        @hertz = hertz.to_f
        @limits = limits
      end

      # [[kind, weight]], heaviest first, summing to one.
      def weights
        @weights ||=
          begin
            fits = {
              "chatter" => chatter,
              "strike" => strike,
              "scrape" => scrape,
              "bearing" => bearing,
              "hum" => hum,
              "imbalance" => imbalance
            }
            most = fits.values.max
            fits["healthy"] = (1 - most) * heard
            fits["unclear"] = (1 - most) * (1 - heard)
            whole = fits.values.sum
            fits
              .transform_values { |fit| fit / whole }
              .select { |_, weight| weight > 0.02 }
              .sort_by { |kind, weight| [-weight, kind] }
          end
      end

      # Share of the power below 1 kHz that lies on multiples of twice the line frequency.
      def hum_share
        @hum_share ||= (1..5).sum { |k| spectrum.line(2 * @hertz * k) } / [spectrum.between(40, 1000), 1e-30].max
      end

      # Share of shaft and blade lines that is the shaft's. A phone hears little bass, so
      # a small share already counts.
      def shaft_line_share
        @shaft_line_share ||=
          begin
            shaft = spectrum.line(shaft_hz)
            shaft / [shaft + (1..3).sum { |k| spectrum.line(pass_hz * k) }, 1e-30].max
          end
      end

      # Prominence of the shaft's multiples on the envelope's spectrum, dB.
      def comb = @comb ||= MULTIPLES.map { |k| line(shaft_hz * k) }

      def pass_comb = @pass_comb ||= (1..4).map { |k| line(pass_hz * k) }

      def swing = @swing ||= envelope.swing(shaft_hz)

      # The strongest line of the envelope's spectrum at no multiple of the shaft rate or
      # of the line's hum: [hertz, dB].
      def stranger
        @stranger ||=
          envelope_spectrum
            .peaks(shaft_hz * 1.4, [shaft_hz * 14, 700].min)
            .reject { |hz, _| multiple?(hz) || hum_multiple?(hz) }
            .max_by(&:last) || [0.0, 0.0]
      end

      private

      def shaft_hz = speed.likely_hz

      def pass_hz = shaft_hz * speed.blades

      def envelope_spectrum = envelope.spectrum

      def line(hertz)
        envelope_spectrum.prominence(hertz, spread: [hertz * 0.004, 0.5].max, around: [hertz * 0.2, 8.0].max)
      end

      def soft(value, from, to)
        ((value - from) / (to - from).to_f).clamp(0.0, 1.0)
      end

      # Blows at twice the line frequency: its line is the strongest on the envelope.
      def chatter
        @chatter ||=
          soft(twice_line, 14, 24) * soft(envelope.kurtosis, 3.3, 4.2) * (1 - soft(strongest_own - twice_line, -8, 2))
      end

      # The strongest line that is the shaft's and not the hum's.
      def strongest_own
        MULTIPLES.reject { |k| hum_multiple?(shaft_hz * k) }.map { |k| comb[k - 1] }.max || 0.0
      end

      def twice_line = @twice_line ||= [line(2 * @hertz), line(4 * @hertz)].max

      # Many multiples of the shaft rate, or of the blade pass.
      def strike
        many = soft(comb.count { |db| db > LINE_DB }, 3.5, 5.5) * soft(comb.sum / comb.size, 9, 14)
        every = soft(pass_comb.count { |db| db > LINE_DB }, 2.2, 3.2) * soft(pass_comb.first(3).sum / 3, 12, 18)
        [many, every].max * (1 - chatter)
      end

      # The high band swings once a turn, and little more than once.
      def scrape
        once = soft(swing, @limits["sound.swing"] * 0.6, @limits["sound.swing"] * 1.3) * soft(comb.first, 12, 20)
        once * (1 - soft(comb[2..].count { |db| db > LINE_DB }, 2, 4)) * (1 - soft(stranger.last, 12, 20)) *
          (1 - chatter)
      end

      # Impulses in the high band that keep no time with the shaft.
      def bearing
        impulsive = soft(envelope.kurtosis, @limits["sound.kurtosis"] * 0.85, @limits["sound.kurtosis"] * 1.2)
        uneven = soft(stranger.last, 9, 15)
        [impulsive * (0.55 + 0.45 * uneven), uneven * soft(envelope.kurtosis, 3.15, 3.6)].max *
          (1 - [strike, chatter].max) * (1 - 0.8 * scrape)
      end

      # Lines of the hum and no fan.
      def hum
        mostly = soft(hum_share, @limits["sound.hum_share"] * 0.6, @limits["sound.hum_share"] * 1.1)
        mostly * (1 - soft(turning_db, 12, 22) * (1 - soft(hum_share, 0.55, 0.75))) * (1 - chatter)
      end

      def imbalance
        soft(shaft_line_share, @limits["sound.shaft_share"] * 0.5, @limits["sound.shaft_share"] * 1.5) *
          soft(spectrum.prominence(shaft_hz, spread: spectrum.step), 12, 20) * (1 - [strike, scrape, bearing].max) *
          (1 - hum)
      end

      # How clearly a fan is heard at all.
      def heard = [soft(turning_db, 6, 12), 0.0].max

      # The strongest blade-pass line that is no hum, dB.
      def turning_db
        @turning_db ||=
          (1..3)
            .map { |k| pass_hz * k }
            .reject { |hz| hum_multiple?(hz) }
            .map { |hz| spectrum.prominence(hz, spread: spectrum.step) }
            .max || 0.0
      end

      def multiple?(hertz)
        ((hertz / shaft_hz) - (hertz / shaft_hz).round).abs * shaft_hz < [hertz * 0.012, 1.0].max
      end

      def hum_multiple?(hertz)
        hertz > @hertz && ((hertz / (2 * @hertz)) - (hertz / (2 * @hertz)).round).abs * 2 * @hertz < 4.5
      end
    end
  end
end
