# frozen_string_literal: true

module Fenbo
  module Sound
    # The high band of a recording (2 to 8 kHz, or to 0.45 of the rate), how impulsive
    # it is, and how its level rises and falls.
    #
    #   analytic signal by Hilbert: FFT, negative frequencies off, back; |·| is the level
    #   kurtosis = mean(x⁴) ÷ mean(x²)²       3 for noise, more for impulses
    #   crest    = max|x| ÷ rms
    class Envelope
      LOW = 2_000.0
      HIGH = 8_000.0
      # The level itself needs no more samples a second than this.
      RATE = 2_000

      attr_reader :kurtosis, :crest, :level, :rate, :rms

      def self.of(samples, rate) = new(samples, rate)

      def initialize(samples, rate)
        band = analytic(samples, rate)
        real = band.real
        @rms = Math.sqrt((real**2).mean)
        @kurtosis = rms.zero? ? 3.0 : (real**4).mean / rms**4
        @crest = rms.zero? ? 0.0 : real.abs.max / rms
        decimate(Numo::NMath.sqrt(real**2 + band.imag**2), rate)
      end

      # Spectrum of the level, fine enough for shaft rates.
      def spectrum = @spectrum ||= Spectrum.of(level, rate, resolution: 0.6)

      # How far the level swings at a rate, as a share of its mean; the rate is looked for
      # nearby, since a long recording forgives no small error in it.
      def swing(hertz, within: 0.6)
        step = 0.3 / (level.size / rate)
        (-(within / step).ceil..(within / step).ceil).map { |k| swing_at(hertz + k * step) }.max
      end

      def swing_at(hertz)
        phase = Numo::DFloat.new(level.size).seq * (2 * Math::PI * hertz / rate)
        2 * Math.hypot((level * Numo::NMath.cos(phase)).mean, (level * Numo::NMath.sin(phase)).mean) /
          [level.mean, 1e-12].max
      end

      private

      def analytic(samples, rate)
        size = 2**Math.log2(samples.size).floor
        spectrum = Numo::Pocketfft.fft(samples[0...size].cast_to(Numo::DComplex))
        step = rate.fdiv(size)
        low, high = (LOW / step).ceil, ([HIGH, 0.45 * rate].min / step).floor
        kept = Numo::DComplex.zeros(size)
        kept[low..high] = spectrum[low..high] * 2
        Numo::Pocketfft.ifft(kept)
      end

      # Averages of whole blocks.
      def decimate(magnitude, rate)
        block = [(rate / RATE).floor, 1].max
        @rate = rate.fdiv(block)
        whole = magnitude.size / block * block
        @level = magnitude[0...whole].reshape(whole / block, block).mean(axis: 1)
      end
    end
  end
end
