# frozen_string_literal: true

# As much of the number library as a recording is read with (lib/fenbo/observation/sound), for a
# Ruby that cannot have it: rows of floats in plain arrays. The transform itself is the
# browser's (fourier.js), behind a device.
module Numo
  # A row of floats, or a table of them: rows one after the other, each of `columns`.
  class DFloat
    include Enumerable

    def self.zeros(size) = new(Array.new(size, 0.0))

    def self.from_binary(data) = new(data.unpack("E*"))

    # @param values [Array, Integer] a number is how many there shall be
    def initialize(values, columns: nil)
      @values = values.is_a?(Integer) ? Array.new(values, 0.0) : values
      @columns = columns
    end

    def seq = DFloat.new(Array.new(size) { |index| index.to_f })

    def to_a = @values

    def each(&) = @values.each(&)

    def size = @values.size

    def [](at, column = nil)
      return DFloat.new(@values.each_slice(@columns).map { |row| row[column] }) if column
      at.is_a?(Range) ? DFloat.new(@values[at]) : @values[at]
    end

    def reshape(_rows, columns) = DFloat.new(@values, columns:)

    # Of each row where an axis is given.
    def mean(axis: nil)
      return sum / size unless axis
      DFloat.new(@values.each_slice(@columns).map { |row| row.sum / @columns })
    end

    def sum = @values.sum

    def max = @values.max

    def abs = map_all(&:abs)

    # Each written out: a block within a block takes twice as long, ten million times.
    def +(other)
      return DFloat.new(@values.map { |one| one + other }) if other.is_a?(Numeric)
      beside, at = beside(other), -1
      DFloat.new(@values.map { |one| one + beside[at += 1] })
    end

    def -(other)
      return DFloat.new(@values.map { |one| one - other }) if other.is_a?(Numeric)
      beside, at = beside(other), -1
      DFloat.new(@values.map { |one| one - beside[at += 1] })
    end

    def *(other)
      return DFloat.new(@values.map { |one| one * other }) if other.is_a?(Numeric)
      beside, at = beside(other), -1
      DFloat.new(@values.map { |one| one * beside[at += 1] })
    end

    def /(other) = DFloat.new(@values.map { |one| one / other })

    def **(other)
      case other
      when 2 then map_all { |one| one * one }
      when 4 then map_all { |one| (one * one) * (one * one) }
      else raise ArgumentError, "to the power of #{other}"
      end
    end

    def >=(other) = Bit.new(@values.map { |one| one >= other })

    def isfinite = Bit.new(@values.map(&:finite?))

    def cast_to(kind)
      (kind == DComplex) ? DComplex.new(@values, Array.new(size, 0.0)) : self
    end

    def coerce(number) = [Alone.new(number), self]

    def map_all(&) = DFloat.new(@values.map(&))

    private

    def beside(other)
      raise ArgumentError, "#{size} beside #{other.size}" unless size == other.size
      other.to_a
    end
  end

  # A number that stands before a row.
  Alone = Struct.new(:number) do
    def +(other) = other.map_all { |one| number + one }

    def -(other) = other.map_all { |one| number - one }

    def *(other) = other.map_all { |one| number * one }
  end

  # Whether, for each.
  class Bit
    def initialize(answers) = @answers = answers

    def all? = @answers.all?

    def count_true = @answers.count(true)

    def cast_to(_kind) = DFloat.new(@answers.map { |one| one ? 1.0 : 0.0 })
  end

  # Samples as files hold them, read as floats at once.
  {UInt8: "C*", Int16: "s<*", Int32: "l<*", SFloat: "e*"}.each do |name, format|
    const_set(name, Module.new {
      define_singleton_method(:from_binary) { |data| DFloat.new(data.unpack(format).map(&:to_f)) }
    })
  end

  # Complex numbers: all real parts, all imaginary parts.
  class DComplex
    def self.zeros(size) = new(Array.new(size, 0.0), Array.new(size, 0.0))

    attr_reader :reals, :imaginaries

    def initialize(reals, imaginaries)
      @reals = reals
      @imaginaries = imaginaries
    end

    def size = reals.size

    def real = DFloat.new(reals)

    def imag = DFloat.new(imaginaries)

    def [](range) = DComplex.new(reals[range], imaginaries[range])

    def []=(range, other)
      reals[range] = other.reals
      imaginaries[range] = other.imaginaries
    end

    def *(other)
      DComplex.new(reals.map { |one| one * other }, imaginaries.map { |one| one * other })
    end
  end

  module NMath
    module_function

    def sin(row) = row.map_all { |one| Math.sin(one) }

    def cos(row) = row.map_all { |one| Math.cos(one) }

    def sqrt(row) = row.map_all { |one| Math.sqrt(one) }
  end

  module Pocketfft
    DEVICE = "/fenbo/fourier"

    module_function

    def fft(row) = transformed(row, 1.0)

    def ifft(row)
      transformed(row, -1.0) * (1.0 / row.size)
    end

    # Of a row of reals; the other half mirrors it.
    def rfft(row) = asked([0.0, *row.to_a], row.size / 2 + 1)

    def transformed(row, direction)
      asked([direction, *row.reals, *row.imaginaries], row.size)
    end

    # @param size [Integer] of what comes back
    def asked(told, size)
      values = File.open(DEVICE, "r+b") { |device|
        device.syswrite(told.pack("E*"))
        whole(device, size * 16)
      }.unpack("E*")
      DComplex.new(values[0, size], values[size..])
    end

    def whole(device, bytes)
      read = device.sysread(bytes)
      read << device.sysread(bytes - read.bytesize) while read.bytesize < bytes
      read
    end
  end
end
