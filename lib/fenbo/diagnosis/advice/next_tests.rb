# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Ranks the tests that may be done by what each is expected to save.
    #
    # At stake is a wrong repair: loss = Σ W·p·(1 − p) over the causes and "none of
    # these", W being a wrong repair of that part in minutes. A test costs its own
    # minutes, its change of state and the risk of live work. It is worth what it and
    # the best test after it are expected to save together, so that the first of
    # several tests in one state does not bear the way there alone:
    #
    #   value(t) = loss − cost(t) − Σo P(o)·min(loss(o), min over u of [cost(u) + loss(o, u)])
    class NextTests
      Proposal = Value.of(:test, :state, :minutes, :gain, :outcomes, again: false)

      def initialize(case_file, posterior, limits)
        @case_file = case_file
        @posterior = posterior
        @rules = Diagnosis.rules["lookahead"]
        @offer = Offer.new(case_file, posterior.model.equipment)
        @outlook = Outlook.new(posterior, limits)
      end

      # @return [Array<Proposal>] best first, only those that save something
      def list
        @list ||=
          ranked
            .filter_map { |test, value| proposal(test, value) if value > Diagnosis.rules["least_gain"] }
            .first(Diagnosis.rules["most_next_tests"])
      end

      # [[test, why]] for every test that is not offered.
      def withheld
        Test.all.values.filter_map { |test| (why = @offer.why_not(test)) && [test, why] }
      end

      private

      # Everything that may be done now, and answered tests that do not fit.
      def candidates
        @candidates ||= @posterior.model.tests.reject { |test| @offer.why_not(test) && !again?(test) }
      end

      def again?(test)
        @case_file.doubtful?(test, @posterior) && @offer.why_not_again(test).nil?
      end

      # [[test, value in minutes]], best first; the most promising looked at one step
      # further.
      def ranked
        near =
          candidates
            .map { |test| [test, @outlook.saved(test) - cost(test, @case_file.state)] }
            .sort_by { |test, value| [-value, test.id] }
        wide, deep = @rules.values_at("first", "second")
        followers = followers(near).first(deep)
        far =
          near
            .first(wide)
            .map do |test, _|
              [
                test,
                @outlook.saved_with(test, followers) { |next_test| cost(next_test, @offer.state(test)) } -
                  cost(test, @case_file.state)
              ]
            end
        far.sort_by { |test, value| [-value, test.id] }
      end

      # What may come second: those that save most, whatever the way to them costs.
      def followers(near)
        near.map(&:first).sort_by { |test| -@outlook.saved(test) }
      end

      def cost(test, from)
        state = @offer.state(test, from)
        @offer.minutes(test, from) + ((state == "P") ? Diagnosis.rules["live_risk_minutes"] : 0)
      end

      def proposal(test, value)
        Proposal.new(
          test:,
          state: @offer.state(test),
          minutes: @offer.minutes(test),
          gain: value * @case_file.minute_cost,
          outcomes: @outlook.outcomes(test),
          again: again?(test)
        )
      end
    end
  end
end
