# frozen_string_literal: true

module Fenbo
  module Sound
    # Welch's power spectrum (Hann window, half overlap) and what stands out on it.
    #
    #   P(f) = mean over segments of |FFT(w·x)|² ÷ (rate · Σw²)
    class Spectrum
      attr_reader :power, :step

      # @param samples [Numo::DFloat], @param rate Hz, @param resolution Hz wanted, at the
      #   most (the segment is a power of two)
      def self.of(samples, rate, resolution:)
        size = 2**Math.log2(rate / resolution.to_f).ceil
        size /= 2 while size > samples.size
        window = hann(size)
        sum = Numo::DFloat.zeros(size / 2 + 1)
        starts = (0..samples.size - size).step([size / 2, 1].max).to_a
        starts.each { |at| sum += segment(samples[at...at + size], window) }
        new(sum / (starts.size * rate * (window**2).sum), rate.fdiv(size))
      end

      def self.hann(size)
        0.5 - 0.5 * Numo::NMath.cos(2 * Math::PI / size * Numo::DFloat.new(size).seq)
      end

      def self.segment(part, window)
        spectrum = Numo::Pocketfft.rfft((part - part.mean) * window)
        spectrum.real**2 + spectrum.imag**2
      end

      # @param step [Float] Hz between two bins
      def initialize(power, step)
        @power = power
        @step = step
      end

      def size = power.size

      def bin(hertz) = (hertz / step).round

      def top = (size - 1) * step

      # Power between two frequencies.
      def between(low, high)
        a, b = bin(low).clamp(0, size - 1), bin(high).clamp(0, size - 1)
        power[a..b].sum
      end

      # Power of a line: its bin and the two beside it.
      def line(hertz)
        k = bin(hertz)
        k.between?(1, size - 2) ? power[k - 1..k + 1].sum : 0.0
      end

      # What lies between lines: the median of the bins between two frequencies.
      def ground(low, high)
        bins = power[[bin(low), 1].max..[bin(high), size - 1].min].to_a.sort
        bins[bins.size / 2]
      end

      # How far a line stands over its surroundings, in dB: the strongest bin within
      # `spread` against the median of the bins round it.
      def prominence(hertz, spread: step * 1.5, around: nil)
        k, reach = bin(hertz), [(spread / step).round, 1].max
        wide = [((around || [hertz * 0.25, step * 12].max) / step).round, 8].max
        return 0.0 if k - reach < 1 || k + reach > size - 2
        peak = power[k - reach..k + reach].max
        10 * Math.log10((peak + 1e-30) / (floor(k, reach, wide) + 1e-30))
      end

      # [[hertz, dB]] of the bins that stand most over a running median.
      def peaks(low, high, most: 12)
        a, b = [bin(low), 2].max, [bin(high), size - 3].min
        candidates =
          (a..b).select { |k| power[k] > power[k - 1] && power[k] >= power[k + 1] }.max_by(most * 3) { |k| power[k] }
        candidates.map { |k| [k * step, prominence(k * step, spread: step)] }.max_by(most, &:last)
      end

      private

      # Median of the bins beside a line, the line itself left out.
      def floor(k, reach, wide)
        left = power[[k - reach - wide, 0].max..[k - reach - 1, 0].max].to_a
        right = power[[k + reach + 1, size - 1].min..[k + reach + wide, size - 1].min].to_a
        both = (left + right).sort
        both[both.size / 2]
      end
    end
  end
end
