# frozen_string_literal: true

module Fenbo
  class KnowledgeCheck
    # Causes that some finding shows, and pairs of them that no test tells apart.
    class Separable < Part
      # Distributions closer than this (half the summed differences) look alike.
      ALIKE = 0.25

      # Pairs of causes that no test on some unit tells apart: limits of the trade's tests,
      # not mistakes.
      # @return [Array<String>]
      def alike
        causes.values.combination(2).reject { |one, other| told_apart?(one, other) }
          .map { |one, other| "no test tells #{one.id} from #{other.id}" }
      end

      private

      def look
        causes.each_value { |cause| fault("causes.yml #{cause.id}: no test shows it") unless reachable?(cause) }
      end

      # Causes that never share a unit need no telling apart.
      def told_apart?(one, other)
        models = models_of(one) & models_of(other)
        models.empty? || models.any? { |model| model.tests.any? { |test| distance(model, test, one, other) > ALIKE } }
      end

      def models_of(cause)
        models.select { |model| model.causes.include?(cause) }
      end

      def models
        @models ||= Knowledge.table("families").flat_map do |family, row|
          row["sides"].product(Electrical::FAMILIES).map do |side, motor|
            Diagnosis::Model.for(Diagnosis::Equipment.new(family:, side:, motor:))
          end
        end
      end

      def reachable?(cause)
        models_of(cause).any? { |model| model.tests.any? { |test| distance(model, test, cause, nil) > ALIKE } }
      end

      # How differently a test comes out under two causes (or none), over motions.
      def distance(model, test, one, other)
        mixed = [one, other].map { |cause| outcome_chances(model, test, cause ? [model.place(cause)] : []) }
        mixed.first.zip(mixed.last).sum { |a, b| (a - b).abs } / 2
      end

      def outcome_chances(model, test, set)
        model.state_of(set).each_with_index
          .map { |chance, m| model.distribution(test, m, set).map { |one| one * chance } }
          .transpose.map(&:sum)
      end
    end
  end
end
