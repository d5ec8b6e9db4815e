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
        return @equipment.why_not(test) unless @equipment.test?(test)
        return "there is no neighbour to compare with" if test.neighbours? && !@case_file.neighbours?
        ruled_out(test) || not_called_for(test)
      end

      # Minutes of the test and of getting to its state.
      def minutes(test) = test.minutes + change_minutes(state(test))

      # The state it is done in: the present one where that serves.
      def state(test)
        test.states.include?(@case_file.state) ? @case_file.state : test.states.min_by { |state| change_minutes(state) }
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

      # Looking needs nothing; live work an opened, energised unit; dead work a
      # locked and proved one; both need the cover off.
      def change_minutes(to)
        from = @case_file.state
        return 0 if from == to || to == "L"
        steps = Diagnosis.rules["states"]["minutes"]
        case to
        when "P" then from_look(from, steps["arm"]) + ((from == "D") ? steps["energise"] : 0)
        when "D" then from_look(from, 0) + steps["lock"] + ((from == "L") ? @equipment.cover_minutes : 0)
        when "C" then (from == "L") ? @equipment.cover_minutes + @equipment.roof_minutes : 0
        end
      end

      def from_look(from, minutes) = (from == "L") ? minutes + @equipment.roof_minutes : 0
    end
  end
end
