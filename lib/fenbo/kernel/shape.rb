# frozen_string_literal: true

require "date"
require "time"

module Fenbo
  # A frozen value that knows its JSON form: named members with a type each, read from
  # parsed JSON, written back, and described as a JSON Schema.
  #
  #   Leg = Fenbo::Shape.of(amps: Float, verdict: String, turns_needed: Shape.maybe(Integer))
  #   Leg.from_json({"amps" => 0.4, "verdict" => "within"}).turns_needed   #=> nil
  #   Leg.schema["required"]                                               #=> ["amps", "verdict"]
  #
  # Types: String, Integer, Float (any number), Shape::FLAG, Time (UTC, to the microsecond),
  # Date, Hash and Array (JSON as it is), Shape::ANY, another shape, [type] for a list of
  # them, Shape.by_name(type), and Shape.maybe(type) where nil stands for "not known".
  module Shape
    autoload :Type, "fenbo/kernel/shape/type"

    FLAG = :flag
    ANY = :any

    def self.maybe(type) = [:maybe, type]

    # An object whose keys are names of something, each with a value of one type.
    def self.by_name(type) = [:by_name, type]

    # @param fields [Hash{Symbol => Object}] name => type
    def self.of(**fields, &body)
      types = fields.transform_values { |type| Type.of(type) }.freeze
      Value.struct(types.to_h { |name, _| [name, " self.class.types[:#{name}].absent(:#{name})"] }) do
        extend Reading
        include Writing

        define_singleton_method(:types) { types }
        class_eval(&body) if body
      end
    end

    # What the class of a shape can do.
    module Reading
      # @param json [Hash] parsed JSON; keys it does not know are passed over
      # @raise [ArgumentError] naming the member that is missing or of another type
      def from_json(json)
        raise ArgumentError, "must be an object" unless json.is_a?(Hash)
        new(**types.to_h { |name, type| [name, member(name) { type.read(json[name.to_s]) }] })
      end

      # The same of figures as Ruby has them, with symbols for names: a tool's answer is made of
      # hundreds, and need not go by way of JSON.
      # @param figures [Hash{Symbol, String => Object}]
      def of_figures(figures)
        new(**types.to_h { |name, type|
          [name, member(name) { type.take(figures.fetch(name) { figures[name.to_s] }) }]
        })
      end

      def schema
        properties = types.to_h { |name, type| [name.to_s, type.schema] }
        required = types.reject { |_, type| type.optional? }.keys.map(&:to_s)
        {"type" => "object", "properties" => properties, "required" => required}
      end

      private

      def member(name)
        yield
      rescue ArgumentError => problem
        raise ArgumentError, [name, problem.message].join((problem.message[0] == ".") ? "" : " ")
      end
    end

    # What a value of a shape can do.
    module Writing
      # Plain JSON, string keys.
      def as_json(*)
        self.class.types.to_h { |name, type| [name.to_s, type.write(self[name])] }
      end

      # The same with some members changed.
      def with(**changes) = self.class.new(**each_pair.to_h, **changes)
    end
  end
end
