# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Whether a test may be proposed now, what it costs in minutes from the state one is in,
    # and why not where it may not.
    #
    # A state is how the cover lies and what the power does; a change costs what each of the
    # two costs, and the way up the first time, so that every path adds up. A live reading
    # leaves the cover as it is.
    class Offer
      OPEN = %w[C D].freeze
      POWER = {"L" => :found, "C" => :found, "P" => :live, "D" => :dead}.freeze

      def initialize(case_file, equipment)
        @case_file = case_file
        @equipment = equipment
        @done = case_file.own_findings.to_h { |finding| [finding.test_id, finding.outcome] }
        made = case_file.own_findings.reject(&:earlier).map(&:test)
        @opened = made.any? { |test| (test.states - OPEN).empty? }
        @up = @opened || made.any? { |test| test.states == ["P"] }
      end

      # In words, or nil when the test may be done.
      def why_not(test)
        return "answered already" if @done.key?(test.id)
        return "tried, and it did not tell" if hidden?(test) && !better_seen_open?(test)
        why_not_again(test)
      end

      # The same for a test that was answered before.
      def why_not_again(test)
        return @equipment.why_not(test) unless @equipment.test?(test)
        return no_neighbour if test.neighbours? && (!@case_file.neighbours? || @case_file.neighbours_stand?)
        ruled_out(test) || not_called_for(test)
      end

      # Minutes of the test and of getting to its state.
      def minutes(test, from = @case_file.state)
        test.minutes + change_minutes(from, state(test, from))
      end

      # The state it is done in: the present one where that serves.
      def state(test, from = @case_file.state)
        states = test.states
        states -= ["L"] if hidden?(test) && states.size > 1 && !opened?(from)
        return from if states.include?(from) || (from == "D" && states.include?("C") && !test.running?)
        return from if states.include?("L") && !(test.running? && from == "D")
        states.min_by { |state| change_minutes(from, state) }
      end

      private

      def no_neighbour
        @case_file.neighbours? ? "no neighbour runs to compare it with" : "there is no neighbour to compare with"
      end

      def hidden?(test) = @case_file.tries(test).positive?

      # What could not be seen from outside is looked at once more with the cover off.
      def better_seen_open?(test)
        test.states.include?("C") && test.states.size > 1 && @case_file.tries(test) == 1
      end

      def ruled_out(test)
        id, = test.not_after.find { |done, outcomes| outcomes.include?(@done[done]) }
        "#{Test[id].short.downcase} came out as “#{Test[id].label(@done[id]).downcase}”, so it would say nothing" if id
      end

      def not_called_for(test)
        return nil if test.only_after.empty?
        "it only follows a noise" unless test.only_after.any? { |done, outcomes| outcomes.include?(@done[done]) }
      end

      def change_minutes(from, to)
        climb(from, to) + uncover(from, to) + power_minutes(POWER[from], POWER[to])
      end

      def opened?(from) = @opened || OPEN.include?(from)

      def climb(from, to)
        (to == "L" || from != "L" || @up) ? 0 : @equipment.roof_minutes
      end

      def uncover(from, to)
        (OPEN.include?(to) && !opened?(from)) ? @equipment.cover_minutes : 0
      end

      def power_minutes(from, to)
        return 0 if from == to
        steps = Diagnosis.rules["states"]["minutes"]
        back = (from == :dead) ? steps["energise"] : 0
        back + {found: 0, live: steps["arm"], dead: steps["lock"]}.fetch(to)
      end
    end
  end
end
