# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # The hypotheses of a model weighed against a case. `weights[motion][h]` sums
    # to one over everything.
    class Posterior
      # How many of the likeliest sets are ever looked at.
      LEADING = 8

      attr_reader :model, :findings, :weights

      # @param findings [Array<Finding>] about this fan and the unit, one a test
      # @param factors [Array<Float>] what the neighbours say, one a hypothesis
      def self.of(case_file, model, findings: nil)
        findings ||= case_file.own_findings.select { |finding| model.equipment.test?(finding.test) }
        prior = model.prior(age_band: case_file.age_band, recent_work: case_file.recent_work)
        factors = Neighbours.new(case_file, model).factors
        new(model, prior.each_index.map { |h| prior[h] * factors[h] }, findings)
      end

      def initialize(model, prior, findings)
        @model = model
        @findings = findings
        @weights = normalise(weigh(prior))
      end

      # Chance of each hypothesis, "none of these" last.
      def hypotheses = @hypotheses ||= weights.transpose.map(&:sum)

      def none_of_these = hypotheses.last

      def healthy = hypotheses.first

      # Cause => chance that it holds, alone or with others; likeliest first.
      def causes
        @causes ||= begin
          held = model.holding.transform_values { |indices| indices.sum { |h| hypotheses[h] } }
          held.sort_by { |cause, chance| [-chance, cause.id] }.to_h
        end
      end

      # The likeliest [[causes], chance], best first, without "none of these".
      def sets
        @sets ||= model.sets.each_index.max_by(LEADING) { |h| hypotheses[h] }.map { |h| [model.sets[h], hypotheses[h]] }
      end

      def leading_set = sets.first.first

      # Chance of each outcome of `test` as things stand.
      def predict(test)
        outcomes = Array.new(test.outcomes.size, 0.0)
        each_weight(test) { |weight, chances| chances.each_index { |k| outcomes[k] += weight * chances[k] } }
        outcomes
      end

      # The chance of one outcome under hypothesis h, its motions weighed as they
      # would be had this finding not been made.
      def chance_under(h, finding)
        index = finding.test.outcomes.index(finding.outcome)
        tables = model.chances(finding.test)
        before = weights.each_index.map { |m| weights[m][h] / [tables[m][h][index], Float::MIN].max }
        total = before.sum
        return 0.0 if total.zero?
        weights.each_index.sum { |m| before[m] / total * tables[m][h][index] }
      end

      private

      def weigh(prior)
        rows = model.motions.each_index.map { |m| prior.each_index.map { |h| prior[h] * model.motion[h][m] } }
        findings.each { |finding| multiply(rows, finding) }
        rows
      end

      def multiply(rows, finding)
        index = finding.test.outcomes.index(finding.outcome)
        tables = model.chances(finding.test)
        rows.each_with_index { |row, m| scale(row, tables[m], index) }
      end

      def scale(row, table, index)
        h = 0
        while h < row.size
          row[h] *= table[h][index]
          h += 1
        end
      end

      def normalise(rows)
        share = 1.0 / rows.sum(&:sum)
        rows.each { |row| row.map! { |weight| weight * share } }
      end

      def each_weight(test)
        tables = model.chances(test)
        weights.each_with_index { |row, m| row.each_with_index { |weight, h| yield(weight, tables[m][h]) if weight > 1e-6 } }
      end
    end
  end
end
