# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # The sets of three causes worth weighing, grown from pairs that a case leaves
    # with more than a trace of weight.
    class Triples
      # One piece of evidence in one state, laid out for the inner loop: sums[c] are
      # the running sums of cause c's picture, nil where it does not bear on the test; ice
      # those of the ice; either, test and state where any of several outcomes may be named.
      Sheet = Struct.new(:base, :extra, :usual, :sums, :ice, :either)

      # A third cause may lift a pair by this much more than it lifts a healthy fan.
      MARGIN = 2
      # What is left of a triple is split over states: one of them is dropped below this share.
      SPLIT = 4
      # A state is followed when it holds this many times what a pair is grown from.
      LIVE = 2

      # @param lifts [Array<Float>] how much likelier each cause alone makes what was
      #   said of it, at the most
      def initialize(model, company, lifts, neighbours, evidence)
        @model = model
        @company = company
        @lifts = lifts
        @neighbours = neighbours
        @evidence = evidence
      end

      # @param rows [Array<Array<Float>>] weights of the listed sets by state
      # @param branch [Float] the least weight of a pair to grow from
      # @param trace [Float] the least weight of a triple worth keeping
      # @return [Hash] set of three => its weight by state
      def reached(rows, branch:, trace:)
        @trace = trace
        @speck = trace / SPLIT
        @live = rows.each_index.select { |m| rows[m].sum > branch * LIVE }
        @sheets = @live.to_h { |m| [m, @evidence.map { |one| sheet(one, m) }] }
        @ceiling = @evidence.inject(1.0) { |most, one| most * (one.base + one.extra.values.max) }
        grown = {}
        parents(rows, branch).each { |pair, weight| grow(pair, weight, grown) }
        grown
      end

      private

      def sheet(one, m)
        Sheet.new(one.base, one.extra.to_a, @model.usual(one.test, m), @model.cumulative(one.test, m),
          @model.ice(one.test, m), ((one.extra.any? { |k, _| one.test.either?(k) }) ? [one.test, m] : nil))
      end

      # [[pair, weight]]
      def parents(rows, branch)
        @model.sets.each_index.filter_map do |h|
          weight = rows.sum { |row| row[h] }
          [@model.sets[h], weight] if weight > branch && @model.sets[h].size == Model::LISTED
        end
      end

      def grow((a, b), weight, grown)
        seen = (@seen ||= {})
        least = @trace / (weight * MARGIN)
        with_a, with_b = @company.joins(a), @company.joins(b)
        @lifts.each_with_index do |lift, c|
          next if (with_a[c] + with_b[c]) * lift < least || c == a || c == b || @model.excluded?(a,
            c) || @model.excluded?(b, c)
          set = [a, b, c].sort
          next if seen.key?(key = (set[0] * 64 + set[1]) * 64 + set[2])
          seen[key] = true
          row = weigh(set)
          grown[set] = row if row
        end
      end

      # nil where too little is left of it to matter.
      def weigh(set)
        prior = @company.weight(set) * @neighbours.factor(set)
        return nil if prior * @ceiling < @trace
        states = @model.state_of(set)
        row = Array.new(states.size, 0.0)
        @live.each { |m| row[m] = through(@sheets[m], set, prior * states[m]) }
        row if row.sum > @trace
      end

      # Every likelihood is below one, so a weight under a speck stays there.
      # P(max = k) = Π F(k) − Π F(k − 1), as in Pictures#chance.
      def through(sheets, set, weight)
        a, b, c = set
        sheets.each do |sheet|
          return 0.0 if weight < @speck
          one, two, three = sheet.sums[a], sheet.sums[b], sheet.sums[c]
          bears = one || two || three
          likelihood = sheet.base
          sheet.extra.each do |k, extra|
            likelihood += extra * if sheet.either
                            @model.chance(*sheet.either, set, k)
                          elsif bears
                            product(sheet, one, two, three, k + 1) - product(sheet, one, two, three, k)
                          else
                            sheet.usual[k]
                          end
          end
          weight *= likelihood
        end
        (weight < @speck) ? 0.0 : weight
      end

      def product(sheet, one, two, three, k)
        result = one ? one[k] : 1.0
        result *= sheet.ice[k] if sheet.ice
        result *= two[k] if two
        result *= three[k] if three
        result
      end
    end
  end
end
