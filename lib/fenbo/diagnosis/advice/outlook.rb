# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What a test would tell: the likeliest hypotheses of a posterior, each with a
    # motion; the chance of each outcome under each; and the loss that is left after
    # it. Losses are in minutes.
    class Outlook
      # Hypotheses with less of the whole than this change no choice of test.
      SPECK = 1.5e-3
      MOST = 36
      # An outcome rarer than this is not followed further, nor a hypothesis that has
      # less than this of an outcome.
      RARE = 0.03
      THIN = 0.012
      # A cause less likely than this loses or gains nothing worth a test.
      REMOTE = 0.004

      def initialize(posterior, limits)
        @posterior = posterior
        @model = posterior.model
        @limits = limits
        gather
        @seen, @saved = {}, {}
      end

      # Minutes of wrong repair that the test is expected to spare.
      def saved(test)
        @saved[test.id] ||= at_stake - left(test, all, @weights)
      end

      # The same with the best of `followers` after each outcome, net of what that one
      # costs (the block).
      def saved_with(test, followers, &cost)
        others = (followers - [test]).map { |one| [one, yield(one)] }
        at_stake - each_outcome(test, all, @weights).sum { |part, total| after(part, total, others) }
      end

      # Of a test, for each outcome: its chance, which cause would lead, and which one's chance it
      # would move most.
      # @return [Array<Hash>] {outcome, chance, leads_to, moves: {cause, from, to}}
      def outcomes(test)
        whole = @weights.sum
        test
          .outcomes
          .zip(each_outcome(test, all, @weights))
          .filter_map do |outcome, (part, total)|
            next unless total > 0.001
            after = chances_of(part, total)
            {outcome:, chance: (total / whole).round(3), leads_to: leader(after), moves: moved(after)}
          end
      end

      private

      def all = @all ||= @pairs.each_index.to_a

      # The loss if it were decided now.
      def at_stake = @at_stake ||= loss(all, @weights)

      # Hypothesis and motion pairs worth following, heaviest first.
      def gather
        rows = @posterior.weights
        @pairs =
          rows
            .each_index
            .flat_map { |m| rows[m].each_index.filter_map { |h| [h, m] if rows[m][h] > SPECK } }
            .max_by(MOST) { |h, m| rows[m][h] }
        @weights = @pairs.map { |h, m| rows[m][h] }
        near = @posterior.causes.select { |_, chance| chance > REMOTE }.keys
        place = near.each_with_index.to_h { |cause, index| [@model.place(cause), index] }
        @stakes = Stakes.new(near, @limits)
        @members = @pairs.map { |h, _| (set = @posterior.sets[h]) ? place.values_at(*set).compact : [near.size] }
      end

      # What is at stake under some pairs, times the chance of being there.
      def loss(pairs, weights)
        sums = Array.new(@stakes.size, 0.0)
        total = 0.0
        pairs.each do |i|
          weight = weights[i]
          total += weight
          add(sums, @members[i], weight)
        end
        @stakes.lost(sums, total)
      end

      # The loss left when the test's outcome is known: each outcome's sums by cause in
      # one pass over the pairs.
      def left(test, pairs, weights)
        sums = Array.new(test.outcomes.size) { Array.new(@stakes.size, 0.0) }
        totals = Array.new(test.outcomes.size, 0.0)
        rows = chances(test)
        pairs.each { |i| spread(weights[i], rows[i], @members[i], sums, totals) }
        totals.each_index.sum { |k| totals[k].positive? ? @stakes.lost(sums[k], totals[k]) : 0.0 }
      end

      def spread(weight, row, members, sums, totals)
        k, outcomes, size = 0, row.size, members.size
        while k < outcomes
          share = weight * row[k]
          totals[k] += share
          of_outcome, n = sums[k], 0
          while n < size
            of_outcome[members[n]] += share
            n += 1
          end
          k += 1
        end
      end

      def add(sums, members, share)
        n = 0
        while n < members.size
          sums[members[n]] += share
          n += 1
        end
      end

      # For each outcome the weights that are left with it, and their sum.
      def each_outcome(test, pairs, weights)
        rows = chances(test)
        test.outcomes.each_index.map do |k|
          total = 0.0
          part = {}
          pairs.each { |i| total += part[i] = weights[i] * rows[i][k] }
          [part, total]
        end
      end

      # The chance of each outcome as it would be named, for each pair kept; for a
      # test asked again, after what was answered before.
      def chances(test)
        @seen[test.id] ||= begin
          before = @posterior.evidence.find { |one| one.test == test && !one.complaint? }
          @pairs.map do |h, m|
            before ? again(before, m, @posterior.sets[h]) : @model.named(test, m, @posterior.sets[h])
          end
        end
      end

      # What would be named if the same were looked at once more.
      def again(evidence, m, set)
        test = evidence.test
        clean = set ? @model.distribution(test, m, set) : @model.of_unknown(test, m)
        weighed = clean.each_with_index.map { |chance, k| chance * (evidence.base + evidence.extra.fetch(k, 0.0)) }
        whole, said = weighed.sum, test.outcomes.index(evidence.finding.outcome)
        # Who was wrong the first time is misled again by the same thing, now and then.
        misled = (1 - weighed[said] / whole) * Diagnosis.rules["repeated"]
        weighed.each_with_index.map { |one, k| one / whole * (1 - misled) + ((k == said) ? misled : 0.0) }
      end

      # The loss left after an outcome, or what the best follower brings it to.
      # @param others [Array] of [test, what it costs]
      def after(part, total, others)
        thick = part.keys.select { |i| part[i] > THIN * total }
        stays = loss(part.keys, part)
        return stays if total < RARE || thick.size < 2 || others.empty?
        rest = stays - loss(thick, part)
        best = others.map { |test, minutes| minutes * total + left(test, thick, part) }.min
        [rest + best, stays].min
      end

      # The chance of each cause, of none of them and of nothing wrong, where these weights are left.
      def chances_of(part, total)
        sums = Hash.new(0.0)
        part.each { |i, weight| labels(i).each { |id| sums[id] += weight } }
        sums.transform_values! { |sum| sum / total }
      end

      def leader(chances) = chances.max_by { |id, chance| [chance, id] }.first

      def moved(after)
        @now ||= chances_of(all.to_h { |i| [i, @weights[i]] }, @weights.sum)
        cause, from = @now.max_by { |id, chance| [(after[id] - chance).abs, id] }
        {cause:, from: from.round(3), to: after[cause].round(3)}
      end

      def labels(i)
        (@labels ||= @pairs.map { |h, _| named(@posterior.sets[h]) })[i]
      end

      def named(set)
        return [UNKNOWN] unless set
        set.empty? ? [HEALTHY] : @model.causes_of(set).map(&:id)
      end
    end
  end
end
