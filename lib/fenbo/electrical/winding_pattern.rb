# frozen_string_literal: true

module Fenbo
  module Electrical
    # What the resistances of a motor's pairs say together: the verdict without
    # ground, the pairs it rests on, the rule and a sentence.
    WindingPattern = Value.of(:verdict, :rule, :text, pairs: [], spread_percent: nil)

    # One reading of the pairs a kind of motor; see Windings for the input.
    class WindingPattern
      KINDS = {
        "three_phase" => ThreePhaseWindings, "psc" => PscWindings, "shaded_pole" => ShadedPoleWinding
      }.freeze

      class << self
        def of(question, limits)
          KINDS.fetch(question.kind).new(question, limits).pattern
        end

        # 100 × (largest − smallest) ÷ smallest; nil with fewer than two readings
        # or a dead short.
        def spread(values)
          return nil if values.size < 2 || values.min.zero?
          100.0 * (values.max - values.min) / values.min
        end
      end
    end
  end
end
