# frozen_string_literal: true

require_relative "dfloat"

module Numo
  # Complex numbers: all real parts, all imaginary parts.
  class DComplex
    def self.zeros(size) = new(DFloat.zeros(size), DFloat.zeros(size))

    # @param bytes [String] of the real parts, then of the imaginary ones
    def self.halves(bytes)
      half = bytes.bytesize / 2
      new(*[0, half].map { |at| DFloat.from_binary(bytes.byteslice(at, half)) })
    end

    attr_reader :real, :imag

    def initialize(real, imag)
      @real = real
      @imag = imag
    end

    def size = real.size

    def [](range) = DComplex.new(real[range], imag[range])

    def []=(range, other)
      @real, @imag = [[real, other.real], [imag, other.imag]].map { |row, part|
        bytes = row.bytes.dup
        bytes[range.begin * DFloat::BYTES, range.size * DFloat::BYTES] = part.bytes
        DFloat.from_binary(bytes)
      }
    end

    def *(other) = DComplex.new(real * other, imag * other)
  end
end
