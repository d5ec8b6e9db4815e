# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Whether a test may be proposed now, what it costs in minutes from the state
    # one is in, and why not where it may not.
    class Offer
      def initialize(case_file, equipment)
        @case_file = case_file
        @equipment = equipment
        @done = case_file.own_findings.to_h { |finding| [finding.test_id, finding.outcome] }
      end

      # In words, or nil when the test may be done.
      def why_not(test)
        return "answered already" if @done.key?(test.id)
        return "tried, and it did not tell" if @case_file.tried?(test)
        why_not_again(test)
      end

      # The same for a test that was answered before.
      def why_not_again(test)
        return @equipment.why_not(test) unless @equipment.test?(test)
        return "there is no neighbour to compare with" if test.neighbours? && !@case_file.neighbours?
        ruled_out(test) || not_called_for(test)
      end

      # Minutes of the test and of getting to its state.
      def minutes(test, from = @case_file.state)
        test.minutes + change_minutes(from, state(test, from))
      end

      # The state it is done in: the present one where that serves.
      def state(test, from = @case_file.state)
        return from if test.states.include?(from)
        return from if test.states.include?("L") && !(test.running? && from == "D")
        test.states.min_by { |state| change_minutes(from, state) }
      end

      private

      def ruled_out(test)
        id, = test.not_after.find { |done, outcomes| outcomes.include?(@done[done]) }
        "#{Test[id].short.downcase} came out as “#{Test[id].label(@done[id]).downcase}”, so it would say nothing" if id
      end

      def not_called_for(test)
        return nil if test.only_after.empty?
        "it only follows a noise" unless test.only_after.any? { |done, outcomes| outcomes.include?(@done[done]) }
      end

      # Looking needs the unit as found; live work an opened, energised unit; dead
      # work a locked and proved one; both need the cover off.
      def change_minutes(from, to)
        steps = Diagnosis.rules["states"]["minutes"]
        return 0 if from == to
        case to
        when "L"
          (from == "D") ? steps["energise"] : 0
        when "P"
          way_there(from, steps["arm"]) + ((from == "D") ? steps["energise"] : 0)
        when "D"
          way_there(from, 0) + steps["lock"] + ((from == "L") ? @equipment.cover_minutes : 0)
        when "C"
          (from == "L") ? @equipment.cover_minutes + @equipment.roof_minutes : 0
        end
      end

      def way_there(from, minutes)
        (from == "L") ? minutes + @equipment.roof_minutes : 0
      end
    end
  end
end
