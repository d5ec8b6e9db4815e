# frozen_string_literal: true

module Fenbo
  module JobFile
    # One thing that is wrong on a job: its place, what was decided about it, the part chosen
    # for it, and the readings before and after. `fan` is the fan it sits at or, of the unit's,
    # the one at which it was seen; `part` what is usually bought for it (causes.yml), as far as
    # what was found tells, nil where nothing is.
    Fault = Value.of(:key, :fan, :decision, :part_choice, :before, :after, part: nil) do
      # What was done about it so far, as it may be told a customer: a part that was not
      # confirmed as fitted is chosen or ordered.
      # @return ["watched", "fitted", "ordered", "chosen", "decided"]
      def standing
        return "watched" if decision&.action == "wait"
        return "decided" unless part_choice&.thing
        return "fitted" if part_choice.fitted?
        part_choice.offer ? "ordered" : "chosen"
      end

      # What was decided to be wrong beside its first cause, and is mended along with it.
      # @return [Array<Diagnosis::Cause>]
      def also
        worked_on? ? decision.causes.drop(1).filter_map { |id| Diagnosis::Cause.all[id] } : []
      end

      # The cause that is mended without a plan, nothing being exchanged; nil where there is one.
      # @return [Diagnosis::Cause, nil]
      def by_hand
        return unless worked_on? && decision.action == "repair" && part_choice.nil?
        Diagnosis::Cause.all[decision.causes.first]&.then { |cause| cause if cause.minutes }
      end

      # What it is about: the unit, where its cause belongs to no fan alone.
      def place = unit? ? "The unit" : fan.long_label

      def place_key = key[Faults::KEY, 1]

      def unit?
        causes = decision&.causes.to_a.filter_map { |id| Diagnosis::Cause.all[id] }
        place_key == Faults::UNIT || (causes.any? && causes.all?(&:unit?))
      end

      # Its repair did not prove: something else was wrong, or is as well.
      def disproved? = !!decision&.disproved?

      def open? = !disproved?

      # Whether hands were laid on it, so that it has to be proved.
      def worked_on? = open? && hands_on?

      # The same, whether or not that proved.
      def hands_on? = %w[replace repair clean].include?(decision&.action)

      # Decided to be left as it is.
      def watched? = open? && decision&.action == "wait"

      # Decided so that nothing is bought for it, nor for what was decided along with it.
      def without_part?
        return false unless part_choice.nil? && open? && also.none?(&:part)
        %w[wait clean].include?(decision&.action) || !by_hand.nil?
      end

      # The station where it goes on once it is decided: to its part, its work, or the handover.
      # @return [String] one of STATIONS
      def onward
        return "hand_over" unless worked_on?
        return part_choice.offer ? "fit" : "source" if part_choice
        (wants_part? && !without_part?) ? "match" : "fit"
      end

      # Whether a part is usually bought for what was decided.
      def wants_part?
        decision.action == "replace" || !Diagnosis::Cause.all[decision.causes.first]&.part.nil?
      end
    end
  end
end
