# frozen_string_literal: true

module Fenbo
  module Sound
    # The shaft rate of the fan, Hz. With rpm given it is only made exact; without, a
    # comb of shaft rate, blade pass and multiples is laid over 600 to 3600 rpm and the
    # one that explains most lines wins. Line hum is left out of it.
    class Speed
      SLOWEST_HZ = 10.0
      FASTEST_HZ = 60.0
      # How far a given speed may be off, as a share.
      GIVEN_SPREAD = 0.04
      STEP = 0.1
      # Blades met on such fans, where their number is not known.
      BLADES = (3..7).to_a.freeze
      # A comb has to explain this much more than the next different one.
      LEAST_CONFIDENCE = 0.25

      # shaft_hz: nil where it is not known well enough to be said; likely_hz: the best
      # guess, for what hangs on it.
      attr_reader :shaft_hz, :likely_hz, :confidence, :blades

      def initialize(spectrum, envelope, rpm:, blades:, hertz:)
        @spectrum = spectrum
        @envelope = envelope
        @hertz = hertz
        @given = rpm && rpm / 60.0
        @known_blades = blades
        search
      end

      def known? = !shaft_hz.nil?

      def rpm = shaft_hz && (shaft_hz * 60)

      def blade_pass_hz = shaft_hz && blades && shaft_hz * blades

      private

      def search
        scored = candidates.flat_map { |rate|
          turning = swell(rate)
          blade_choices.map { |count| [rate, count, score(rate, count) + turning] }
        }
        best = scored.max_by(&:last)
        rival = scored.reject { |rate, _, _| (rate / best[0] - 1).abs < 0.03 }.max_by(&:last)
        @confidence = ((best.last - (rival ? rival.last : 0)) / [best.last.abs, 1e-9].max).clamp(0.0, 1.0)
        @confidence = [@confidence, 0.8].max if @given
        @blades = @known_blades || best[1]
        @likely_hz = best[0]
        @shaft_hz = best[0] if @given || (@confidence >= LEAST_CONFIDENCE * 0.2 && best.last > 14)
      end

      def candidates
        low, high = @given ? [@given * (1 - GIVEN_SPREAD), @given * (1 + GIVEN_SPREAD)] : [SLOWEST_HZ, FASTEST_HZ]
        (0..((high - low) / STEP).ceil).map { |index| low + index * STEP }
      end

      def blade_choices = @known_blades ? [@known_blades] : BLADES

      # Sum of how far the comb's lines stand out, in dB, blade pass first.
      def score(rate, count)
        pass = rate * count
        lines = [[rate, 0.6], [pass, 1.0], [2 * pass, 0.7], [3 * pass, 0.4]]
        lines.sum { |hz, weight| hum?(hz) ? 0.0 : weight * prominence(hz).clamp(0, 25) }
      end

      # How far the high band's rise and fall once a turn stands out, whatever the blades.
      def swell(rate)
        0.5 * @envelope.prominence(rate, spread: 0.3).clamp(0, 20)
      end

      def prominence(hz)
        (@kept ||= {})[@spectrum.bin(hz)] ||= @spectrum.prominence(hz, spread: @spectrum.step)
      end

      def hum?(hz)
        ((hz / (2 * @hertz)) - (hz / (2 * @hertz)).round).abs * 2 * @hertz < 1.5 && hz > @hertz
      end
    end
  end
end
