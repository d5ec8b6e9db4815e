# frozen_string_literal: true

module Stations
  module Source
    # The minutes that each fault of a quote takes, all of them done on one visit: what is done at
    # the same fan is made safe, opened and closed once, for the first of them.
    class QuotedHours
      # @param faults [Array<Fenbo::JobFile::Fault>] in the order of the quote
      def initialize(job, faults)
        @job = job
        @faults = faults.reject(&:by_hand)
      end

      # Beside those before it.
      def minutes(fault)
        before = before(fault)
        sum([*before, fault]) - (before.any? ? sum(before) : 0)
      end

      # Of the minutes it takes by itself.
      def share(fault)
        alone = sum([fault])
        alone.zero? ? 1 : minutes(fault).fdiv(alone)
      end

      # What it comes to: its own task and those of what was decided along with it.
      # @return [Array<String>]
      def tasks(fault) = plans([fault]).flat_map(&:joined)

      private

      def before(fault)
        @faults.take_while { |one| one.key != fault.key }.select { |one| one.fan == fault.fan }
      end

      def sum(faults) = plans(faults).sum(&:minutes)

      def plans(faults)
        (@plans ||= {})[faults.map(&:key)] ||=
          Fenbo::WorkPlan::Progress.whole(@job, faults, limits: Shared::Shop.limits)
      end
    end
  end
end
