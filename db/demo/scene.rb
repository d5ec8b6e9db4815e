# frozen_string_literal: true

module Demo
  # A demo job in the making, its row (jobs.yml) and its moment: what the makers of its
  # parts ask for. Asked anew each time, for the job grows under their hands.
  class Scene
    attr_reader :row, :job, :now

    def initialize(row, job, now:)
      @row = row
      @job = job
      @now = now
    end

    def unit = job.unit

    # Whose job it is.
    def who = job.technician

    def position(key) = unit.position(key)

    # The fan in hand.
    def hand = position(row["fan"])

    # The job as it stands so far.
    def file = JobSource.numbered(job.number)

    def plan = Fenbo::WorkPlan::Progress.of(file)

    def clock = Fenbo::Product::JobClock.new(file, now:)

    # The visit that what is known comes from; nil where nobody was there yet and the caller told it.
    def visit = @visit ||= job.visits.where(starts_at: ..now).first

    # The visit in which it is worked on: the last one so far.
    def work_visit = job.visits.where(starts_at: ..now).last

    # When what is bought and fitted is: on a job of long ago, then.
    def at = row["closed"] ? last_moment : now

    def last_moment = visit&.ends_at ? visit.ends_at - 600 : now - 300

    # Hours from now, or a day from today and a time: "2@09:00".
    def moment(text)
      return now + text * 3600 if text.is_a?(Numeric)
      days, clock = text.split("@")
      hour, minute = clock.split(":").map(&:to_i)
      date = now.to_date + days.to_i
      Time.local(date.year, date.month, date.day, hour, minute)
    end
  end
end
