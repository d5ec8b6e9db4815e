# frozen_string_literal: true

require "icalendar"

module Stations
  module HandOver
    # The next visit as a calendar entry, with what to bring.
    class VisitCalendar
      # @param plan [Fenbo::WorkPlan::Progress]
      def initialize(job, at, plan)
        @job = job
        @at = at
        @plan = plan
      end

      def render
        calendar = Icalendar::Calendar.new
        calendar.prodid = "-//Fenbo//Visits//EN"
        calendar.add_event(event)
        calendar.to_ical
      end

      private

      def event
        Icalendar::Event.new.tap do |event|
          event.uid = "job-#{@job.number}-#{@at.to_i}@fenbo"
          event.dtstart = Icalendar::Values::DateTime.new(@at.utc, "tzid" => "UTC")
          event.dtend = Icalendar::Values::DateTime.new((@at + minutes * 60).utc, "tzid" => "UTC")
          event.summary = "#{@job.unit.name}: #{@job.handover&.next_visit_for.presence || "next visit"}"
          event.location = [@job.unit.site.name, @job.unit.site.address].compact.join(", ")
          event.description = [@job.complaint, part, tools, @job.access_notes].compact.join("\n")
        end
      end

      def minutes
        @plan.minutes
      end

      def part
        parts = @job.faults.filter_map { |fault| fault.part_choice&.thing&.part_no unless fault.standing == "fitted" }
        "Bring: #{parts.join(", ")}" if parts.any?
      end

      def tools = @plan && "Tools: #{@plan.plan.tools.join(", ")}"
    end
  end
end
