# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # How likely a set of causes is before anything is seen. One of them came first, by its
    # own odds; the others came with it, because it brings them or comes of them
    # (knowledge/companions.yml), or by chance, seldom:
    #
    #   w({i}) = oᵢ·aᵢ                              aᵢ = Π (1 − bᵢⱼ), nothing came with i
    #   w(S)   = Σ over the first i of oᵢ·aᵢ·(the likeliest tree from i over S, of bⱼₖ)
    #
    # bᵢⱼ: how often j comes with i; by chance second_fault · oⱼ. In a tree each cause is
    # brought by one that was there before it: two do not bring each other.
    class Company
      # The weight of each listed set, in their order; not normalised.
      attr_reader :weights

      # @param causes [Array<Cause>]
      # @param sets [Array<Array<Integer>>] those whose weights are met again and again
      # @param odds [Array<Float>] of each cause by itself
      # @param side [String] of the unit: evaporator or condenser
      def initialize(causes, sets, odds, age_band, side)
        age = Diagnosis.rules["company"]["age"].fetch(age_band, 1.0)
        by_chance = causes.zip(odds).map { |cause, one| chance_of(cause) * one }
        @brings = causes.map { |one| row(one, causes, by_chance, age, side) }
        @alone = @brings.each_with_index.map { |row, i| odds[i] * linked(row, by_chance) }
        @joins = causes.each_index.map { |a| causes.each_index.map { |b| joining(a, b) } }
        @weights = sets.map { |set| weight(set) }.freeze
      end

      # @return [Float] of any set; not normalised
      def weight(set)
        return Diagnosis.rules["healthy"]["odds"] if set.empty?
        a, b, c = set
        case set.size
        when 1 then @alone[a]
        when 2 then @alone[a] * @brings[a][b] + @alone[b] * @brings[b][a]
        when 3 then @alone[a] * tree(a, b, c) + @alone[b] * tree(b, a, c) + @alone[c] * tree(c, a, b)
        end
      end

      # How much of the weight of a set with `a` stays, at most, where `b` joins it.
      def joins(a) = @joins[a]

      private

      def chance_of(cause)
        Diagnosis.rules["second_fault"][cause.lingers? ? "lingers" : "sudden"]
      end

      def row(one, causes, by_chance, age, side)
        links = Companion.of(one, side)
        causes.each_with_index.map do |other, j|
          share = [(links[other.id]&.share || 0.0) * age, Diagnosis.rules["company"]["most"]].min
          [share, by_chance[j]].max
        end
      end

      # The chance that none of its companions came with it. What came by chance is left
      # out of this: it is alike for all.
      def linked(row, by_chance)
        row.each_with_index.inject(1.0) { |product, (share, j)|
          (share > by_chance[j]) ? product * (1 - share) : product
        }
      end

      def tree(first, one, other)
        row = @brings[first]
        by_one, by_other = @brings[one][other], @brings[other][one]
        along = row[one] * ((row[other] > by_one) ? row[other] : by_one)
        back = row[other] * by_other
        (along > back) ? along : back
      end

      def joining(a, b)
        return 0.0 if a == b || @alone[a].zero?
        @brings[a][b] + @alone[b] * @brings[b][a] / @alone[a]
      end
    end
  end
end
