# frozen_string_literal: true

module Fenbo
  module JobFile
    # Whether everything a job names is known to this Fenbo: families, tests and their
    # outcomes, causes, tools, and its own fans, visits and readings.
    #
    #   JobFile::Check.new(job).faults   #=> ["findings.3.test: seance is not known here"]
    class Check
      # @param job [Job]
      def initialize(job)
        @job = job
      end

      # Answers one sentence a place, led by where it stands; none when all is known.
      def faults
        [*family, *numbered("findings") { |one| finding(one) }, *numbered("readings") { |one| reading(one) },
          *numbered("decisions") { |one| decision(one) }, *numbered("photos") { |one| own(one) },
          *numbered("part_choices") { |one| [fault_of(one)] }, *numbered("steps") { |one| [fault_of(one)] }, *doubles]
      end

      private

      def numbered(list)
        @job[list.to_sym].each_with_index.flat_map do |entry, index|
          yield(entry).compact.map { |problem| "#{list}.#{index}.#{problem}" }
        end
      end

      def family
        return [] if Knowledge.table("families").key?(@job.unit.family)
        ["unit.family: #{said(@job.unit.family)} is not known here"]
      end

      def finding(one)
        test = Diagnosis::Test.all[one.test]
        [
          ("test: #{said(one.test)} is not known here" unless test),
          ("outcome: #{said(one.outcome)} is none of #{one.test}" if test && !test.outcomes.include?(one.outcome)),
          *own(one)
        ]
      end

      def reading(one)
        [("kind: #{said(one.kind)} is not known here" unless Tools.names.map(&:to_s).include?(one.kind)), *own(one)]
      end

      def decision(one)
        strange = one.causes.reject { |id| Diagnosis::Cause.all.key?(id) }
        [("causes: #{said(strange.first)} is not known here" if strange.any?), fault_of(one), *own(one)]
      end

      # Its place is a fan of this unit, or the unit.
      def fault_of(one)
        return nil if one.fault.nil?
        place = one.fault[Faults::KEY, 1]
        "fault: #{said(one.fault)} is no place of this unit" unless place == Faults::UNIT || @job.unit.fan(place)
      end

      # What an entry points at has to be in the same file.
      def own(one)
        [
          ("fan: the unit has no #{said(one.fan)}" if one.fan && @job.unit.fan(one.fan).nil?),
          ("visit: is not in this file" if one.visit && @job.visits.none? { |visit| visit.uid == one.visit })
        ]
      end

      def doubles
        %w[findings readings decisions photos].filter_map do |list|
          twice = @job[list.to_sym].map(&:id).tally.find { |_, count| count > 1 }
          "#{list}: #{said(twice.first)} stands there twice" if twice
        end
      end

      def said(text) = "“#{text.to_s[0, 40]}”"
    end
  end
end
