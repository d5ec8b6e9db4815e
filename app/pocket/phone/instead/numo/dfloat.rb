# frozen_string_literal: true

require_relative "rows"

module Numo
  # A row of floats, or a table of them: rows one after the other, each of `columns`.
  class DFloat
    BYTES = 8
    # The way to the browser and back takes longer than so few values.
    FEW = 300
    private_constant :FEW

    def self.zeros(size) = new(size)

    def self.from_binary(data) = new(nil, bytes: data)

    def self.done(...) = new(nil, bytes: Rows.done(...))

    # @param values [Array, Integer, nil] a number is how many there shall be
    # @param bytes [String] instead of values: doubles
    def initialize(values, bytes: nil, columns: nil)
      @values = values unless values.is_a?(Integer)
      @bytes = values.is_a?(Integer) ? "\0".b * (values * BYTES) : bytes
      @columns = columns
    end

    def bytes = @bytes ||= @values.pack("E*")

    def to_a = @values ||= @bytes.unpack("E*")

    def size = @values ? @values.size : @bytes.bytesize / BYTES

    def seq = DFloat.done(:seq, number: size)

    def [](at, column = nil)
      return DFloat.new(to_a.each_slice(@columns).map { |row| row[column] }) if column
      return to_a[at] unless at.is_a?(Range)
      return DFloat.new(@values[at]) if @values
      DFloat.new(nil, bytes: @bytes.byteslice(at.begin * BYTES, at.size * BYTES))
    end

    def reshape(_rows, columns) = DFloat.new(@values, bytes: @bytes, columns:)

    # Of each row where an axis is given.
    def mean(axis: nil) = axis ? done(:means, number: @columns) : sum / size

    def sum = few? ? to_a.sum : done(:sum)[0]

    def max = few? ? to_a.max : done(:max)[0]

    def abs = done(:abs)

    def +(other)
      other.is_a?(Numeric) ? done(:plus, number: other) : beside(:add, other)
    end

    def -(other)
      other.is_a?(Numeric) ? done(:plus, number: -other) : beside(:subtract, other)
    end

    def *(other)
      other.is_a?(Numeric) ? done(:times, number: other) : beside(:multiply, other)
    end

    def /(other) = done(:over, number: other)

    def **(other) = (other == 2) ? done(:square) : done(:power, number: other)

    def >=(other) = Bit.new(done(:at_least, number: other))

    def isfinite = Bit.new(done(:finite))

    def cast_to(kind)
      (kind == DComplex) ? DComplex.new(self, DFloat.zeros(size)) : self
    end

    def coerce(number) = [Alone.new(number), self]

    def done(name, number: 0) = DFloat.done(name, bytes, number:)

    private

    def few? = size <= FEW

    def beside(name, other)
      raise ArgumentError, "#{size} beside #{other.size}" unless size == other.size
      DFloat.done(name, bytes, other.bytes)
    end
  end

  # A number that stands before a row.
  Alone = Struct.new(:number) do
    def +(other) = other + number

    def -(other) = other.done(:less_from, number:)

    def *(other) = other * number
  end

  # Whether, for each: 1 or 0.
  class Bit
    def initialize(answers) = @answers = answers

    def all? = count_true == @answers.size

    def count_true = @answers.sum.to_i

    def cast_to(_kind) = @answers
  end

  # Samples as files hold them, read as floats at once.
  {UInt8: :uint8, Int16: :int16, Int32: :int32, SFloat: :float32}.each do |name, kind|
    const_set(name, Module.new {
      define_singleton_method(:from_binary) { |data| DFloat.done(kind, data) }
    })
  end
end
