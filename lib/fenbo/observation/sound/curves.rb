# frozen_string_literal: true

module Fenbo
  module Sound
    # What is drawn of a recording, small enough to keep: the spectrum up to 600 Hz, the
    # envelope's spectrum up to 300 Hz, and a strip of time against frequency. Levels in
    # dB, rounded.
    module Curves
      SPECTRUM_HZ = 600
      ENVELOPE_HZ = 300
      POINTS = 250
      STRIP = {columns: 90, rows: 32, top_hz: 6_000}.freeze

      module_function

      # @param recording [Recording]
      def of(recording)
        {
          spectrum: {
            top_hz: SPECTRUM_HZ,
            db: line(recording.spectrum, SPECTRUM_HZ)
          },
          envelope: {
            top_hz: ENVELOPE_HZ,
            db: line(recording.envelope.spectrum, ENVELOPE_HZ)
          },
          strip: strip(recording.question.wav)
        }
      end

      # The strongest bin of each of POINTS stretches, dB.
      def line(spectrum, top_hz)
        bins = spectrum.bin(top_hz)
        (0...POINTS).map do |index|
          from = [(index * bins / POINTS.to_f).floor, 1].max
          upto = [((index + 1) * bins / POINTS.to_f).ceil - 1, from].max
          decibel(spectrum.power[from..[upto, spectrum.size - 1].min].max)
        end
      end

      # Rows from the lowest frequency up, each a list over time.
      def strip(wav)
        size = wav.samples.size / STRIP[:columns]
        window = Spectrum.hann(size)
        columns =
          (0...STRIP[:columns]).map do |column|
            Spectrum.segment(wav.samples[column * size...(column + 1) * size], window)
          end
        top = [STRIP[:top_hz], wav.rate / 2.0].min
        bins = (top * size / wav.rate).floor
        rows =
          (0...STRIP[:rows]).map do |row|
            from, upto = row * bins / STRIP[:rows], [(row + 1) * bins / STRIP[:rows] - 1, row * bins / STRIP[:rows]].max
            columns.map { |power| decibel(power[from..upto].mean) }
          end
        {top_hz: top.round, seconds: wav.seconds.round(2), db: rows}
      end

      def decibel(power) = (10 * Math.log10(power + 1e-20)).round(1)
    end
  end
end
