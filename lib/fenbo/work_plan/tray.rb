# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # What came out and off while a plan is worked, and is not back yet: the fasteners where they
    # lie, and the parts beside.
    class Tray
      # @param steps [Array<Step>] of the plan, in order
      # @param done [Hash{String => JobFile::StepDone}] by the step's id
      def initialize(steps, done)
        @steps = steps
        @done = done
      end

      # Fasteners that came out and have not gone back yet.
      def out
        @steps.sum do |step|
          count = @done[step.id]&.fasteners or next 0
          (step.phase == "back") ? -count : count
        end
      end

      # Each place of the drawn tray with what lies in it, in the order it came out.
      # @return [Array<Array(Step, Integer)>]
      def places
        @steps.select { |one| one.phase == "apart" && one.fasteners && @done[one.id]&.fasteners }
          .map { |one| [one, @done[one.id].fasteners - back_of(one)] }
      end

      # Whether something was out, and nothing is any more.
      def all_back?
        places.any? && parked.empty? && places.all? { |_, left| left.zero? }
      end

      # Steps whose part came off and is not back on.
      def parked
        @steps.select { |one| one.removes && @done.key?(one.id) && !@done.key?("#{one.id}_back") }
      end

      # How many came out at the step that `step` reverses.
      def taken_out(step) = @done[step.reverses]&.fasteners

      private

      def back_of(step) = @done["#{step.id}_back"]&.fasteners || 0
    end
  end
end
