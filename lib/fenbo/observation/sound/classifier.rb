# frozen_string_literal: true

module Fenbo
  module Sound
    # From the figures of a recording to kinds with weights. Each kind has a fit from 0
    # to 1, softly round the limits in limits.yml (sound.*); what none explains is
    # healthy when a fan is heard, unclear when not.
    class Classifier
      # Multiples of the shaft rate looked at on the envelope's spectrum.
      MULTIPLES = (1..8)
      # Stands in where a power is nothing.
      NOTHING = 1e-30

      attr_reader :spectrum, :envelope, :speed

      def initialize(spectrum, envelope, speed, hertz:, limits:)
        @spectrum = spectrum
        @envelope = envelope
        @speed = speed
        @hertz = hertz.to_f
        @hearing = Hearing.new(limits)
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
              .select { |_, weight| weight > @hearing[:least_weight] }
              .sort_by { |kind, weight| [-weight, kind] }
          end
      end

      # Share of the power below 1 kHz that lies on multiples of twice the line frequency.
      def hum_share
        @hum_share ||=
          begin
            lines = (1..@hearing[:hum_harmonics]).sum { |k| spectrum.line(2 * @hertz * k) }
            lines / [spectrum.between(@hearing[:hum_from_hz], @hearing[:hum_to_hz]), NOTHING].max
          end
      end

      # Share of shaft and blade lines that is the shaft's. A phone hears little bass, so
      # a small share already counts, and what its recorder took away is put back.
      def shaft_line_share
        @shaft_line_share ||=
          begin
            shaft = spectrum.line(shaft_hz) * bass_lost
            blades = (1..@hearing[:blade_lines]).sum { |k| spectrum.line(pass_hz * k) }
            shaft / [shaft + blades, NOTHING].max
          end
      end

      # How much of the power at the shaft rate the recorder took away: air roars downwards,
      # so that ground at the shaft rate that is quieter than higher up was cut off.
      def bass_lost
        higher = spectrum.ground(@hearing[:bass_beside_from_hz], @hearing[:bass_beside_to_hz])
        (higher / [spectrum.ground(shaft_hz * 0.6, shaft_hz * 1.6), NOTHING].max).clamp(1.0, @hearing[:bass_most])
      end

      # Prominence of the shaft's multiples on the envelope's spectrum, dB.
      def comb = @comb ||= MULTIPLES.map { |k| line(shaft_hz * k) }

      def pass_comb
        @pass_comb ||= (1..@hearing[:pass_lines]).map { |k| line(pass_hz * k) }
      end

      def swing = @swing ||= envelope.swing(shaft_hz)

      # The strongest line of the envelope's spectrum at no multiple of the shaft rate or
      # of the line's hum: [hertz, dB].
      def stranger
        @stranger ||=
          envelope_spectrum
            .peaks(
              shaft_hz * @hearing[:stranger_from],
              [shaft_hz * @hearing[:stranger_to], @hearing[:stranger_most_hz]].min
            )
            .reject { |hz, _| multiple?(hz) || hum_multiple?(hz) }
            .max_by(&:last) || [0.0, 0.0]
      end

      private

      def shaft_hz = speed.likely_hz

      def pass_hz = shaft_hz * speed.blades

      def envelope_spectrum = envelope.spectrum

      def line(hertz)
        spread = [hertz * @hearing[:line_spread], @hearing[:line_spread_least]].max
        around = [hertz * @hearing[:line_around], @hearing[:line_around_least]].max
        envelope_spectrum.prominence(hertz, spread:, around:)
      end

      def fit(name, value) = @hearing.fit(name, value)

      # How many lines stand out.
      def standing_out(lines) = lines.count { |db| db > @hearing[:line_db] }

      # Blows at twice the line frequency: its line is the strongest on the envelope.
      def chatter
        @chatter ||=
          fit(:chatter_line, twice_line) * fit(:chatter_kurtosis, envelope.kurtosis) *
          (1 - fit(:chatter_own, strongest_own - twice_line))
      end

      # The strongest line that is the shaft's and not the hum's.
      def strongest_own
        MULTIPLES.reject { |k| hum_multiple?(shaft_hz * k) }.map { |k| comb[k - 1] }.max || 0.0
      end

      def twice_line = @twice_line ||= [line(2 * @hertz), line(4 * @hertz)].max

      # Many multiples of the shaft rate, or of the blade pass.
      def strike
        many = fit(:strike_count, standing_out(comb)) * fit(:strike_mean, Statistics.mean(comb))
        every =
          fit(:strike_pass_count, standing_out(pass_comb)) * fit(:strike_pass_mean, Statistics.mean(pass_comb.first(3)))
        [many, every].max * (1 - chatter)
      end

      # The high band swings once a turn, and little more than once.
      def scrape
        once = fit(:scrape_swing, swing) * fit(:scrape_line, comb.first)
        once * (1 - fit(:scrape_more, standing_out(comb[2..]))) * (1 - fit(:scrape_stranger, stranger.last)) *
          (1 - chatter)
      end

      # Impulses in the high band that keep no time with the shaft.
      def bearing
        uneven = fit(:bearing_stranger, stranger.last)
        alone = @hearing[:bearing_alone]
        impulsive = fit(:bearing_kurtosis, envelope.kurtosis) * (alone + (1 - alone) * uneven)
        [impulsive, uneven * fit(:bearing_kurtosis_beside, envelope.kurtosis)].max * (1 - [strike, chatter].max) *
          (1 - @hearing[:bearing_scrape] * scrape)
      end

      # Lines of the hum and no fan.
      def hum
        turning = fit(:hum_turning, turning_db) * (1 - fit(:hum_drowns, hum_share))
        fit(:hum_mostly, hum_share) * (1 - turning) * (1 - chatter)
      end

      def imbalance
        fit(:imbalance_share, shaft_line_share) *
          fit(:imbalance_line, spectrum.prominence(shaft_hz, spread: spectrum.step)) *
          (1 - [strike, scrape, bearing].max) * (1 - hum)
      end

      # How clearly a fan is heard at all.
      def heard = fit(:heard, turning_db)

      # The strongest blade-pass line that is no hum, dB.
      def turning_db
        @turning_db ||=
          (1..@hearing[:blade_lines])
            .map { |k| pass_hz * k }
            .reject { |hz| hum_multiple?(hz) }
            .map { |hz| spectrum.prominence(hz, spread: spectrum.step) }
            .max || 0.0
      end

      def multiple?(hertz)
        spread = [hertz * @hearing[:multiple_spread], @hearing[:multiple_spread_least]].max
        beside(hertz, shaft_hz) < spread
      end

      def hum_multiple?(hertz)
        hertz > @hertz && beside(hertz, 2 * @hertz) < @hearing[:hum_spread_hz]
      end

      # How far `hertz` lies beside the nearest multiple of `rate`, Hz.
      def beside(hertz, rate)
        ((hertz / rate) - (hertz / rate).round).abs * rate
      end
    end
  end
end
