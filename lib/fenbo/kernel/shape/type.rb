# frozen_string_literal: true

module Fenbo
  module Shape
    # One type of a shape's member: how it is read, written and described.
    class Type
      PLAIN = {
        String => ["string", ->(value) { value.is_a?(String) }],
        Integer => ["integer", ->(value) { value.is_a?(Integer) }],
        Float => ["number", ->(value) { value.is_a?(Numeric) }],
        FLAG => ["boolean", ->(value) { [true, false].include?(value) }],
        Hash => ["object", ->(value) { value.is_a?(Hash) }],
        Array => ["array", ->(value) { value.is_a?(Array) }]
      }.freeze

      def self.of(type)
        return Any.new if type == ANY
        return Plain.new(type) if PLAIN.key?(type)
        return Moment.new(type) if Moment::WORDS.key?(type)
        return Nested.new(type) unless type.is_a?(Array)
        {maybe: Maybe, by_name: ByName}.fetch(type.first, List).new(of(type.last))
      end

      def optional? = false

      def write(value) = value

      # As it is read, from a value as Ruby has it: with symbols where JSON has texts.
      def take(value) = read(Json.plain(value))

      # Every list may be empty and every unknown nil; the rest has to be given.
      def absent(name) = raise(ArgumentError, "missing: #{name}")

      # A text, a number, a flag, or JSON as it is.
      class Plain < Type
        def initialize(type)
          @word, @fits = PLAIN.fetch(type)
        end

        def read(value)
          @fits.call(value) ? value : raise(ArgumentError, "must be of type #{@word}")
        end

        def schema = {"type" => @word}
      end

      # A time or a day.
      class Moment < Type
        WORDS = {Time => "date-time", Date => "date"}.freeze

        def initialize(type)
          @type = type
        end

        def read(value)
          return value if value.is_a?(@type)
          (@type == Time) ? Time.iso8601(value.to_s).utc : Date.iso8601(value.to_s)
        rescue ArgumentError
          raise ArgumentError, "must be a #{WORDS[@type]}"
        end

        def write(value)
          (@type == Time) ? value.utc.iso8601(6) : value.iso8601
        end

        def schema = {"type" => "string", "format" => WORDS[@type]}
      end

      # Another shape.
      class Nested < Type
        def initialize(shape)
          @shape = shape
        end

        def read(value)
          value.is_a?(@shape) ? value : told_where { @shape.from_json(value) }
        end

        def take(value)
          value.is_a?(Hash) ? told_where { @shape.of_figures(value) } : read(value)
        end

        def write(value) = value.as_json

        def schema = @shape.schema

        private

        def told_where
          yield
        rescue ArgumentError => problem
          raise ArgumentError, problem.message.start_with?("must") ? problem.message : ".#{problem.message}"
        end
      end

      # Any number of one type.
      class List < Type
        def initialize(type)
          @type = type
        end

        def read(value)
          raise ArgumentError, "must be a list" unless value.is_a?(Array)
          value.map { |one| @type.read(one) }.freeze
        end

        def take(value)
          value.is_a?(Array) ? value.map { |one| @type.take(one) }.freeze : read(value)
        end

        def write(value) = value.map { |one| @type.write(one) }

        def absent(_name) = [].freeze

        def schema = {"type" => "array", "items" => @type.schema}
      end

      # One type under any names.
      class ByName < Type
        def initialize(type)
          @type = type
        end

        def read(value)
          raise ArgumentError, "must be an object" unless value.is_a?(Hash)
          value.to_h { |name, one| [name.to_s, @type.read(one)] }.freeze
        end

        def write(value) = value.transform_values { |one| @type.write(one) }

        def absent(_name) = {}.freeze

        def schema
          {"type" => "object", "additionalProperties" => @type.schema}
        end
      end

      # Anything JSON can say, nothing included.
      class Any < Type
        def optional? = true

        def read(value) = value

        def absent(_name) = nil

        def schema = {}
      end

      # The same, or nil.
      class Maybe < Type
        def initialize(type)
          @type = type
        end

        def optional? = true

        def read(value) = value.nil? ? nil : @type.read(value)

        def take(value) = value.nil? ? nil : @type.take(value)

        def write(value) = value.nil? ? nil : @type.write(value)

        def absent(_name) = nil

        def schema
          inner = @type.schema
          inner["type"].is_a?(String) ? inner.merge("type" => [inner["type"], "null"]) : inner
        end
      end
    end
  end
end
