# frozen_string_literal: true

module Shared
  module Drawing
    # What a year costs, repaired and replaced, as two bars; the cheaper filled.
    class YearCosts
      WIDTH = 560
      HEIGHT = 150
      LEFT = 110
      MOST = 265
      NAMES = {"repair" => "Repaired", "replace" => "Replaced"}.freeze

      # @param money [Proc] cents in words
      def initialize(result:, money:)
        @costs = {"repair" => result.repair.yearly_cents, "replace" => result.replace.yearly_cents}
        @verdict = result.verdict
        @money = money
      end

      def svg
        @svg = Svg.new(WIDTH, HEIGHT, label: words, css: "plate")
        @costs.each_with_index { |(name, cents), index| bar(name, cents, 22 + index * 62) }
        @svg.to_s
      end

      private

      def words
        "A year: " + @costs.map { |name, cents| "#{name} #{@money.call(cents)}" }.join(", ") + "; #{@verdict}"
      end

      def bar(name, cents, y)
        wide = [cents.fdiv([@costs.values.max, 1].max) * MOST, 2].max
        @svg.text(8, y + 27, NAMES.fetch(name), "axis-words")
          .rect(LEFT, y, wide, 42, (name == @verdict) ? "bar-added" : "bar-recovered")
          .text(LEFT + wide + 10, y + 27, "#{@money.call(cents)} a year", "leg-figure")
      end
    end
  end
end
