# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Ranks the tests that may be done by what each is expected to save.
    #
    # At stake are a wrong repair of what is likely and an overlooked fault of what is not
    # (Outlook). A test costs its own minutes, its change of state and the risk of live work.
    # It is worth what it and the best test after it are expected to save together, so that
    # the first of several tests in one state does not bear the way there alone:
    #
    #   value(t) = loss − cost(t) − Σo P(o)·min(loss(o), min over u of [cost(u) + loss(o, u)])
    #
    # A look in the present state comes before a change of state, unless that is clearly
    # worth more. Once a set is sure, what stands open with it comes first.
    class NextTests
      Proposal = Value.of(:test, :state, :minutes, :gain, :outcomes, again: false)

      # @param open_points [OpenPoints]
      def initialize(case_file, posterior, offer, open_points, limits)
        @case_file = case_file
        @posterior = posterior
        @rules = Diagnosis.rules["lookahead"]
        @offer = offer
        @open_points = open_points
        @limits = limits
        @outlook = Outlook.new(posterior, limits)
      end

      # @return [Array<Proposal>] best first, only those that save something, and after the
      #   first only those that do so by themselves
      def list
        @list ||= (closing + worthwhile.first(1) + worthwhile.drop(1).select { |one| own(one.test).positive? })
          .uniq(&:test)
          .first(Diagnosis.rules["most_next_tests"])
      end

      # Once the first fault is sure: the quick looks in the present state at what stands open
      # with it, and those still worth their minutes. What is overlooked now is a second trip.
      # @return [Array<Proposal>]
      def before_leaving
        return [] unless first_sure?
        @before_leaving ||= (closing + worthwhile.select { |one| own(one.test).positive? })
          .uniq(&:test).select { |one| quick?(one) }
      end

      # [[test, why]] for every test that is not offered.
      def withheld
        Test.all.values.filter_map { |test| (why = @offer.why_not(test)) && [test, why] }
      end

      private

      def worthwhile
        @worthwhile ||=
          looks_first(ranked.select { |test, value|
            value > Diagnosis.rules["least_gain"] && (!again?(test) || own(test).positive?)
          })
            .map { |test, value| proposal(test, value) }
      end

      # That the likeliest cause is there, or that nothing is, whatever else may be there with it.
      def first_sure?
        [@posterior.causes.first.last, @posterior.healthy].max >= @limits["diagnosis.decisive"]
      end

      def sure?
        @posterior.leading_sets.first.last >= @limits["diagnosis.decisive"]
      end

      def quick?(one)
        !one.again && one.minutes == one.test.minutes && one.minutes <= @limits["diagnosis.quick_look_minutes"]
      end

      # What stands open with a set that is sure, cheapest first.
      def closing
        return [] unless sure?
        @open_points.tests
          .sort_by { |test| [cost(test, @case_file.state), test.id] }
          .map { |test| proposal(test, [@outlook.saved(test) - cost(test, @case_file.state), 0].max) }
      end

      def looks_first(rows)
        best = rows.first&.last or return rows
        here, away = rows.partition { |test, _| @offer.state(test) == @case_file.state && own(test).positive? }
        return rows if here.empty? || best > here.first.last * @rules["clearly"]
        here + away
      end

      # What a test saves by itself, whatever may follow it.
      def own(test) = @outlook.saved(test) - cost(test, @case_file.state)

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
            .map { |test| [test, own(test)] }
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
