# frozen_string_literal: true

# Every hour: a visit that nobody ended and in which nothing was recorded for long is over.
class SilentVisits < WorkQueue::Work
  HOUR = 3600

  def self.in_an_hour(now = Time.now)
    enqueue(job_options: {run_at: now + HOUR})
  end

  def run
    Whereabouts.sweep(Setting.limits)
    # The next hour is asked for together with this one's end.
    ActiveRecord::Base.transaction do
      SilentVisits.in_an_hour
      finish
    end
  end
end
