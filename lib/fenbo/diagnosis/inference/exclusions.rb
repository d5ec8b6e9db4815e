# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Which causes never hold at once on one fan, by their places in a model.
    class Exclusions
      # @param place [Hash{Cause => Integer}]
      def initialize(place)
        @table = Array.new(place.size) { Array.new(place.size, false) }
        Diagnosis.rules["impossible"].each do |ids|
          one, other = ids.map { |id| place[Cause[id]] }
          @table[one][other] = @table[other][one] = true if one && other
        end
      end

      def excluded?(one, other) = @table[one][other]

      # @param set [Array<Integer>] places
      def possible?(set)
        set.size < 2 || set.combination(2).none? { |one, other| excluded?(one, other) }
      end
    end
  end
end
