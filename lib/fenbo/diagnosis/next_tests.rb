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
      NEGLIGIBLE = 5e-5

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
        saved = @wrong_repair * (loss(held_now) - parts.sum { |part| loss(part) })
        minutes = @offer.minutes(test)
        gain = (saved - minutes - risk(test)) * @case_file.minute_cost
        Proposal.new(test:, state: @offer.state(test), minutes:, gain:, outcomes: outcomes(test, parts)) if gain > Diagnosis.rules["least_gain"]
      end

      def risk(test) = (@offer.state(test) == "P") ? Diagnosis.rules["live_risk_minutes"] : 0

      # For each outcome, the chance of each cause together with that outcome.
      # A row is laid out as in `held`.
      def split(test)
        parts = Array.new(test.outcomes.size) { Array.new(width, 0.0) }
        @model.groups(test).each_with_index do |(distributions, index), m|
          alike = living[m].group_by { |h| index[h] }
          alike.each do |place, hypotheses|
            row = held(hypotheses, @posterior.weights[m])
            parts.each_with_index { |part, k| add(part, row, distributions[place][k]) }
          end
        end
        parts
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

      # Sums the weights of some hypotheses: one figure for each cause, then for
      # "none of these", for "no cause", and for all together.
      def held(hypotheses, weights)
        row = Array.new(width, 0.0)
        hypotheses.each do |h|
          weight = weights[h]
          members[h].each { |c| row[c] += weight }
          row[-1] += weight
        end
        row
      end

      def held_now
        @held_now ||= living.each_with_index.map { |hypotheses, m| held(hypotheses, @posterior.weights[m]) }
          .transpose.map(&:sum)
      end

      def width = @model.causes.size + 3

      # Σ p(1 − p) over causes and "none of these", times the chance of being there.
      def loss(part)
        total = part[-1]
        return 0.0 if total < 1e-12
        (0..part.size - 3).sum { |c| part[c] * (1 - part[c] / total) }
      end

      # For each hypothesis the places of its causes in a row.
      def members
        @members ||= begin
          index = @model.causes.each_with_index.to_h
          @model.sets.map { |set| set.empty? ? [index.size + 1] : set.map { |cause| index[cause] } } << [index.size]
        end
      end

      def outcomes(test, parts)
        test.outcomes.zip(parts).filter_map do |outcome, part|
          {outcome:, chance: part[-1].round(3), leads_to: leader(part)} if part[-1] > 0.001
        end
      end

      def leader(part)
        best = part[..-2].each_with_index.max_by(&:first).last
        return @model.causes[best].id if best < @model.causes.size
        (best == @model.causes.size) ? UNKNOWN : HEALTHY
      end
    end
  end
end
