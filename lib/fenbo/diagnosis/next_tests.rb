# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Ranks the tests that may be done by what each is expected to save.
    #
    # What is at stake is a wrong repair: loss = W × Σ p(1 − p) over the causes
    # and "none of these", W being a wrong repair in minutes. A test's gain is the
    # loss it is expected to take away, less its own minutes, its change of state
    # and the risk of live work, in money.
    class NextTests
      Proposal = Value.of(:test, :state, :minutes, :gain, :outcomes)
      # A hypothesis with less weight than this does not change which test is best.
      NEGLIGIBLE = 2e-4
      # A cause less likely than this loses or gains nothing worth a test.
      REMOTE = 0.006
      # A group of hypotheses with less weight than this is left out of the sums.
      SPECK = 5e-4

      def initialize(case_file, posterior, limits)
        @case_file = case_file
        @posterior = posterior
        @model = posterior.model
        @offer = Offer.new(case_file, @model.equipment)
        @wrong_repair = limits["diagnosis.wrong_repair_minutes"]
      end

      # @return [Array<Proposal>] best first, only those that save something
      def list
        @list ||= candidates.filter_map { |test| proposal(test) }
          .sort_by { |proposal| [-proposal.gain, proposal.test.id] }
          .first(Diagnosis.rules["most_next_tests"])
      end

      # [[test, why]] for every test that is not offered.
      def withheld
        Test.all.values.filter_map { |test| (why = @offer.why_not(test)) && [test, why] }
      end

      private

      def candidates = @model.tests.reject { |test| @offer.why_not(test) }

      def proposal(test)
        parts = split(test)
        # Taken from the parts, so that what was left out counts on neither side.
        before = parts.transpose.map(&:sum)
        saved = @wrong_repair * (loss(before) - parts.sum { |part| loss(part) })
        minutes = @offer.minutes(test)
        gain = (saved - minutes - risk(test)) * @case_file.minute_cost
        Proposal.new(test:, state: @offer.state(test), minutes:, gain:, outcomes: outcomes(test, parts)) if gain > Diagnosis.rules["least_gain"]
      end

      def risk(test) = (@offer.state(test) == "P") ? Diagnosis.rules["live_risk_minutes"] : 0

      # For each outcome, the chance of each cause together with that outcome.
      # A row holds one figure for each near cause, then "none of these", "no cause",
      # and all together.
      def split(test)
        parts = Array.new(test.outcomes.size) { Array.new(width, 0.0) }
        @model.groups(test).each_with_index do |(distributions, index), m|
          rows(index, distributions.size, m).each_with_index do |row, place|
            parts.each_with_index { |part, k| add(part, row, distributions[place][k]) } if row && row[-1] > SPECK
          end
        end
        parts
      end

      # The living hypotheses of one motion summed by the distribution they share;
      # nil where none is left.
      def rows(index, size, m)
        weights = @posterior.weights[m]
        sums = Array.new(size)
        living[m].each do |h|
          row = (sums[index[h]] ||= Array.new(width, 0.0))
          put(row, h, weights[h])
        end
        sums
      end

      def put(row, h, weight)
        members[h].each { |c| row[c] += weight }
        row[-1] += weight
      end

      # By motion, the hypotheses that still have a say.
      def living
        @living ||= @posterior.weights.map { |row| row.each_index.select { |h| row[h] > NEGLIGIBLE } }
      end

      def add(part, row, chance)
        c = 0
        while c < part.size
          part[c] += row[c] * chance
          c += 1
        end
      end

      # The causes that are still worth telling apart.
      def near = @near ||= @posterior.causes.select { |_, chance| chance > REMOTE }.keys

      def width = @width ||= near.size + 3

      # Σ p(1 − p) over causes and "none of these", times the chance of being there.
      def loss(part)
        total = part[-1]
        return 0.0 if total < 1e-12
        (0..part.size - 3).sum { |c| part[c] * (1 - part[c] / total) }
      end

      # For each hypothesis the places of its causes in a row.
      def members
        @members ||= begin
          index = near.each_with_index.to_h
          @model.sets.map { |set| set.empty? ? [index.size + 1] : index.values_at(*set).compact } << [index.size]
        end
      end

      def outcomes(test, parts)
        whole = parts.sum { |part| part[-1] }
        test.outcomes.zip(parts).filter_map do |outcome, part|
          {outcome:, chance: (part[-1] / whole).round(3), leads_to: leader(part)} if part[-1] > 0.001
        end
      end

      def leader(part)
        best = part[..-2].each_with_index.max_by(&:first).last
        return near[best].id if best < near.size
        (best == near.size) ? UNKNOWN : HEALTHY
      end
    end
  end
end
