# frozen_string_literal: true

module Fenbo
  module Frost
    # What a map of the whole coil says of one fan: ice behind another fan is no finding of
    # this one, and counts as thin and even there.
    class OfFan
      # @param answer [Answer] of the tool frost
      # @param key [String] of the fan
      def initialize(answer, key)
        @answer = answer
        @key = key
      end

      # @return [Array] fan, test, outcome, weights
      def finding
        [@key, "frost_pattern", weights.max_by(&:last).first, weights]
      end

      def weights
        @weights ||= begin
          weights = @answer.signatures.to_h { |signature| [signature.id, signature.weight] }
          other = weights.delete("behind_one_fan") unless foremost == @key
          weights["even_light"] = weights.fetch("even_light", 0) + other if other
          weights
        end
      end

      private

      # The fan whose zone stands out most.
      def foremost
        @answer.features.zones.reject { |zone| zone.contrast.nil? }.max_by(&:contrast)&.position
      end
    end
  end
end
