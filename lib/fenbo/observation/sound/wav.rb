# frozen_string_literal: true

module Fenbo
  module Sound
    # A WAV file as one channel of floats from −1 to 1: PCM of 8, 16, 24 or 32 bit or
    # 32 or 64 bit float, any number of channels (averaged).
    #
    #   wav = Wav.parse(File.binread("fan.wav"))
    #   wav.samples   #=> Numo::DFloat
    class Wav
      # A file that is no WAV we can read; its message says why.
      Unreadable = Class.new(StandardError)

      LOWEST_RATE = 8_000
      HIGHEST_RATE = 384_000
      PCM = 1
      FLOAT = 3
      EXTENSIBLE = 0xFFFE

      attr_reader :samples, :rate

      def self.parse(bytes)
        raise Unreadable, "is empty" if bytes.empty?
        raise Unreadable, "is not a WAV file" unless bytes[0, 4] == "RIFF" && bytes[8, 4] == "WAVE"
        format, data = chunks(bytes).values_at("fmt ", "data")
        raise Unreadable, "has no format in it" if format.nil? || format.bytesize < 16
        raise Unreadable, "has no sound in it" if data.nil? || data.empty?
        new(format, data)
      end

      # name => bytes; a chunk cut short counts as far as it goes.
      def self.chunks(bytes)
        found, at = {}, 12
        while at + 8 <= bytes.bytesize
          name, size = bytes.byteslice(at, 4), bytes.byteslice(at + 4, 4).unpack1("V")
          found[name] ||= bytes.byteslice(at + 8, [size, bytes.bytesize - at - 8].min)
          at += 8 + size + (size & 1)
        end
        found
      end

      def initialize(format, data)
        Sound.numo!
        code, @channels, @rate, _, _, @bits = format.unpack("vvVVvv")
        code = format.byteslice(24, 2).unpack1("v") if code == EXTENSIBLE && format.bytesize >= 26
        unless rate.between?(LOWEST_RATE, HIGHEST_RATE)
          raise Unreadable, "has a rate of #{rate} Hz; from #{LOWEST_RATE} Hz up can be read"
        end
        raise Unreadable, "has no channel in it" unless @channels.between?(1, 32)
        @samples = mono(decode(code, whole_frames(data)))
      end

      def seconds = samples.size.fdiv(rate)

      private

      def whole_frames(data)
        frame = @channels * @bits / 8
        raise Unreadable, "is of #{@bits} bits, which is not read here" unless [8, 16, 24, 32, 64].include?(@bits)
        data.byteslice(0, data.bytesize / frame * frame)
      end

      def decode(code, data)
        case [code, @bits]
        when [PCM, 8]
          (Numo::UInt8.from_binary(data).cast_to(Numo::DFloat) - 128) / 128
        when [PCM, 16]
          Numo::Int16.from_binary(data).cast_to(Numo::DFloat) / 32_768
        when [PCM, 24]
          twenty_four(data)
        when [PCM, 32]
          Numo::Int32.from_binary(data).cast_to(Numo::DFloat) / 2_147_483_648
        when [FLOAT, 32]
          finite(Numo::SFloat.from_binary(data).cast_to(Numo::DFloat))
        when [FLOAT, 64]
          finite(Numo::DFloat.from_binary(data))
        else
          raise Unreadable, "is coded in a way that is not read here; PCM or float can be"
        end
      end

      # Three bytes a sample, the highest signed.
      def twenty_four(data)
        bytes = Numo::UInt8.from_binary(data).reshape(data.bytesize / 3, 3).cast_to(Numo::Int32)
        value = bytes[true, 0] + bytes[true, 1] * 256 + bytes[true, 2] * 65_536
        (value - (value >= 8_388_608).cast_to(Numo::Int32) * 16_777_216).cast_to(Numo::DFloat) / 8_388_608
      end

      def finite(samples)
        raise Unreadable, "holds numbers that are none" unless samples.isfinite.all?
        samples
      end

      def mono(samples)
        (@channels == 1) ? samples : samples.reshape(samples.size / @channels, @channels).mean(axis: 1)
      end
    end
  end
end
