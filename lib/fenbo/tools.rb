# frozen_string_literal: true

module Fenbo
  # The tools by name: the same from the command, the API and the screens. One tool a file
  # in tools/: what it is for, the class that works it out, and the shape of its answer.
  module Tools
    autoload :Command, "fenbo/tools/command"

    # What several answers hold.
    Span = Shape.of(low: Float, high: Float)
    Leg = Shape.of(amps: Float, error: Float, ratio: Shape.maybe(Float), verdict: String,
      turns_needed: Shape.maybe(Integer))
    Check = Shape.of(check: String, result: String, reason: String)
    Weight = Shape.of(id: String, weight: Float)

    Entry = Value.of(:name, :about, :tool, :shape) do
      # An input that works, from knowledge/examples.yml.
      def example
        row = Knowledge.table("examples").fetch(name)
        row.transform_values { |value| value.is_a?(String) ? value.sub("{{knowledge}}", Knowledge::FOLDER) : value }
      end

      # @return [Answer, Refusal]
      def call(raw, limits:)
        result = tool.call.call(raw, limits:)
        result.refused? ? result : answer(result)
      end

      # A result of the tool with its figures in their shape.
      def answer(result)
        unknown = result.figures.keys - shape.members
        raise ArgumentError, "#{name}: #{unknown.join(", ")} is not in tools/#{name}.rb" if unknown.any?
        shape.of_figures({verdict: result.verdict, **result.figures, reasons: result.reasons})
      end
    end

    ALL = {} # rubocop:disable Style/MutableConstant

    module_function

    # @param answer [Class] a shape made by Answer.of
    def define(name, about:, tool:, answer:)
      ALL[name] = Entry.new(name:, about:, tool:, shape: answer)
    end

    def names = ALL.keys

    def entry(name) = ALL[name.to_s]

    # @return [Answer, Refusal]
    def call(name, raw, limits: Limits.default)
      entry = entry(name) or
        return Refusal.new([["tool", "is not known here; use one of #{names.join(", ")}"]])
      entry.call(raw, limits:)
    end

    # An answer as it was kept, read with today's shape: what that time did not say is nil.
    # @return [Answer, nil] nil where it cannot be read any more
    def kept(name, json)
      entry(name)&.shape&.from_json(json)
    rescue ArgumentError
      nil
    end

    %w[
      air amps blades capacitor charge cleaning diagnose driven energy fan_laws fit frost match nameplate neighbour
      phases procedure product pulldown quote refrigerant replace sound source spare trend windings
    ].each { |name| require_relative "tools/#{name}" }
    ALL.freeze
  end
end
