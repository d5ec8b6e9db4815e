# frozen_string_literal: true

require "icalendar"

module Shared
  # Visits as a calendar: where, how long, what to bring and what to look at first.
  class VisitCalendar
    # @param words [Figures] for temperatures
    def initialize(words:)
      @words = words
      @calendar = Icalendar::Calendar.new
      @calendar.prodid = "-//Fenbo//Visits//EN"
    end

    # @param job [Fenbo::JobFile::Job]
    # @param plan [Fenbo::WorkPlan::Progress]
    # @param purpose [String, nil]
    # @param visit [String, nil] its uid: the entry stays the same one when it moves
    def add(job, at:, plan:, visit: nil, purpose: nil, minutes: nil)
      @calendar.add_event(event(job, at, minutes || plan.minutes, purpose, told(job, plan)).tap do |event|
        event.uid = "#{visit ? "visit-#{visit}" : "job-#{job.number}-#{at.to_i}"}@fenbo"
      end)
      self
    end

    def render = @calendar.to_ical

    private

    def event(job, at, minutes, purpose, told)
      Icalendar::Event.new.tap do |event|
        event.dtstart = Icalendar::Values::DateTime.new(at.utc, "tzid" => "UTC")
        event.dtend = Icalendar::Values::DateTime.new((at + minutes * 60).utc, "tzid" => "UTC")
        event.summary = "#{job.unit.name}: #{purpose.presence || "next visit"}"
        event.location = [job.unit.site.name, job.unit.site.address].compact.join(", ")
        event.description = told.join("\n")
      end
    end

    def told(job, plan)
      tools = "Tools: #{plan.plan.tools.join(", ")}" unless plan.by_hand
      [job.complaint, parts(job), tools, first(job),
        job.access_notes || job.unit.site.access_notes].compact.map { |line| line.delete("\r") }
    end

    def parts(job)
      parts = job.faults.filter_map { |fault| fault.part_choice&.thing&.part_no unless fault.standing == "fitted" }
      "Bring: #{parts.join(", ")}" if parts.any?
    end

    # What comes before the tools: the box, and what was done to hold it.
    def first(job)
      limit = job.product_limit_c || job.unit.product_limit_c
      kept = Fenbo::Product::Stopgaps.to_undo(job)
      looks = ["the box#{" against #{@words.show(limit, "temperature")}" if limit}",
        *kept.map { |row| "to be undone: #{row["undo"]}" }, *job.unit.quirks]
      "First: #{looks.join("; ")}"
    end
  end
end
