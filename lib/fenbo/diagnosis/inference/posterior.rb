# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # The hypotheses of a model weighed against a case.
    #
    # Sets of up to two causes are all weighed. A set of three is weighed when one of
    # its pairs is left with more than BRANCH of the whole, and kept when it has
    # TRACE of it itself: a third cause costs what it takes to come along, so a triple
    # that matters stands beside a pair that is not much less likely. A spec
    # holds this against the sum over every triple.
    #
    # Hypotheses are numbered: the model's sets, then the triples, "none of these"
    # last. `weights[state][h]` sums to one over everything.
    class Posterior
      BRANCH = 2e-4
      TRACE = 1.5e-4
      # How many of the likeliest sets are ever looked at.
      LEADING = 8

      attr_reader :model, :evidence, :sets, :weights

      def self.of(case_file, model)
        new(
          model,
          evidence: case_file.evidence.select { |one| model.equipment.test?(one.test) },
          neighbours: Neighbours.of(case_file, model),
          company: model.company(age_band: case_file.age_band, recent_work: case_file.recent_work)
        )
      end

      # @param evidence [Array<Evidence>] about this fan and the unit, one a test
      # @param company [Company] how likely sets are before anything was seen
      def initialize(model, evidence:, neighbours:, company:)
        @model = model
        @evidence = evidence
        @neighbours = neighbours
        @company = company
        weigh
      end

      # The finding behind each piece of evidence that is one.
      def findings = evidence.filter_map(&:finding)

      # Chance of each hypothesis, "none of these" last.
      def hypotheses = @hypotheses ||= weights.transpose.map(&:sum)

      def none_of_these = hypotheses.last

      def healthy = hypotheses.first

      # Cause => chance that it holds, alone or with others; likeliest first.
      def causes
        @causes ||=
          begin
            held = Array.new(model.causes.size, 0.0)
            sets.each_with_index { |set, h| set.each { |c| held[c] += hypotheses[h] } }
            model.causes.zip(held).sort_by { |cause, chance| [-chance, cause.id] }.to_h
          end
      end

      # The likeliest [[causes], chance], best first, without "none of these".
      def leading_sets
        @leading_sets ||= leading_numbers.map { |h| [model.causes_of(sets[h]), hypotheses[h]] }
      end

      # The same as their places in `sets`.
      def leading_numbers
        @leading_numbers ||= sets.each_index.max_by(LEADING) { |h| hypotheses[h] }
      end

      def leading_set = leading_sets.first.first

      # The chance of what was said under hypothesis h, its states weighed as they
      # would be had it not been said.
      def chance_under(h, one)
        said = weights.each_index.map { |m| under(h, one, m) }
        before = weights.each_index.map { |m| weights[m][h] / [said[m], Float::MIN].max }
        total = before.sum
        return 0.0 if total.zero?
        weights.each_index.sum { |m| before[m] / total * said[m] }
      end

      # likelihood(evidence)[motion][h]
      def likelihood(one)
        (@likelihoods ||= {}.compare_by_identity)[one] ||= model.states.each_index.map do |m|
          listed(one, m) + triples.map { |set| of_set(one, m, set) } << of_unknown(one, m)
        end
      end

      private

      def weigh
        pairs = weigh_listed
        unknown = weigh_unknown
        whole = pairs.sum(&:sum) + unknown.sum
        @triples =
          Triples.new(model, @company, lifts(pairs), @neighbours, evidence).reached(
            pairs,
            branch: whole * BRANCH,
            trace: whole * TRACE
          )
        @sets = (model.sets + @triples.keys).freeze
        rows = pairs.each_index.map { |m| pairs[m] + @triples.values.map { |row| row[m] } << unknown[m] }
        @weights = normalise(rows)
      end

      def triples = @triples.keys

      def weigh_listed
        rows = model.before(@company).map(&:dup)
        rows.each { |row| scale(row, @neighbours.factors) } unless @neighbours.silent?
        evidence.each { |one| rows.each_with_index { |row, m| scale(row, listed(one, m)) } }
        rows
      end

      # For each cause, the product of what it lifts: each piece of evidence against
      # a healthy fan's, where that is more than one, in the state that suits it best.
      def lifts(rows)
        live = rows.each_index.select { |m| rows[m].sum > 0 }
        by_motion = live.map { |m| evidence.map { |one| listed(one, m) }.map { |row| [row, row[0]] } }
        model.causes.each_index.map do |c|
          by_motion
            .map { |all| all.inject(1.0) { |lift, (row, well)| (row[1 + c] > well) ? lift * row[1 + c] / well : lift } }
            .max
        end
      end

      def weigh_unknown
        model.state_of_unknown.each_with_index.map do |chance, m|
          evidence.inject(model.unknown_odds * @neighbours.factor_of_unknown * chance) do |weight, one|
            weight * of_unknown(one, m)
          end
        end
      end

      # likelihood(one)[m][h] of that hypothesis alone.
      def under(h, one, m)
        return listed(one, m)[h] if h < model.sets.size
        (h < sets.size) ? of_set(one, m, sets[h]) : of_unknown(one, m)
      end

      # The evidence under each listed set.
      def listed(one, m)
        ((@listed ||= {}.compare_by_identity)[one] ||= model.likelihoods(one))[m]
      end

      def of_set(one, m, set)
        one.extra.inject(one.base) { |sum, (k, weight)| sum + weight * model.chance(one.test, m, set, k) }
      end

      def of_unknown(one, m) = one.likelihood(model.of_unknown(one.test, m))

      def scale(row, likelihoods)
        h = 0
        while h < row.size
          row[h] *= likelihoods[h]
          h += 1
        end
      end

      def normalise(rows)
        share = 1.0 / rows.sum(&:sum)
        rows.each { |row| row.map! { |weight| weight * share } }
      end
    end
  end
end
