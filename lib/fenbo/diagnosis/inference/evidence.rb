# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What the answers to one test say together. Somebody who looks at a true
    # outcome t names it, or errs and names any:
    #
    #   E(a|t) = 1 − e where a = t, else e/(K − 1)    K telling outcomes, e the mistakes
    #   L      = Σt P(t)·Πj E(aj|t) = base + Σk extra[k]·P(k)
    #
    # An answer that a later one to the same question corrects counts with more
    # mistakes than the last: whoever asks again looks closer. The same answer once more is
    # half the same witness: who was misled once is misled again by the same thing, in
    # `repeated` of such cases.
    #
    # A complaint is evidence too, of the outcomes that would be complained of, and stays so when
    # somebody has looked: the caller is a second witness. Where nothing is wrong somebody has
    # called all the same, so that one or two are told there: `idle` instead of the base.
    Evidence =
      Value.of(:test, :base, :extra, finding: nil, answers: 1, idle: nil) do
        # @param findings [Array<Finding>] all answers to one test, oldest first
        define_singleton_method(:of) do |findings|
          test = findings.first.test
          mistakes = findings.map { test.mistake }
          again = Diagnosis.rules["asked_again"]
          mistakes[0..-2] = mistakes[0..-2].map { |one| [one * again, 0.5].min } if findings.map(&:outcome).uniq.size >
            1
          return soft(findings.last, mistakes.last, findings.size) if findings.last.weights
          answered = findings.map { |finding| test.outcomes.index(finding.outcome) }
          weigh(test, answered, mistakes, findings.last, findings.size)
        end

        define_singleton_method(:weigh) do |test, answered, mistakes, finding, answers|
          flat = mistakes.map { |one| test.wrong_share(one) }
          wrong = answered.each_index.map { |j|
            answered.first(j).include?(answered[j]) ? Diagnosis.rules["repeated"] : flat[j]
          }
          base = wrong.inject(:*)
          extra =
            answered.uniq.to_h do |k|
              named =
                answered
                  .each_index
                  .inject(1.0) { |product, j| product * ((answered[j] == k) ? 1 - mistakes[j] : wrong[j]) }
              [k, named - base]
            end
          new(test:, base:, extra: extra.freeze, finding:, answers:)
        end

        # An instrument's answer that is not sure of one outcome: what it leaves open tells
        # nothing.
        define_singleton_method(:soft) do |finding, mistake, answers|
          test = finding.test
          flat = test.wrong_share(mistake)
          open = 1.0 - finding.weights.values.sum
          extra = finding.weights.to_h { |outcome, share| [test.outcomes.index(outcome), (1 - mistake - flat) * share] }
          new(test:, base: flat * (1 - open) + open / test.telling.sum, extra: extra.freeze, finding:, answers:)
        end

        # A complaint of something that `test` would show as any but its ordinary outcomes.
        define_singleton_method(:complaint) do |row|
          test = Test[row["test"]]
          told, imagined, idle = Diagnosis.rules["complaint"].values_at("told", "imagined", "idle")
          odd = (test.outcomes - row["ordinary"]).map { |outcome| test.outcomes.index(outcome) }
          new(test:, base: imagined, extra: odd.to_h { |k| [k, told - imagined] }.freeze, idle:)
        end

        # The chance of what was said, given the chance of each true outcome.
        def likelihood(chances)
          base + extra.sum { |k, weight| weight * chances[k] }
        end

        # What was said, whoever said it and when.
        def told = [test, base, extra, idle]

        def complaint? = finding.nil?
      end
  end
end
