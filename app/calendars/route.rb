# frozen_string_literal: true

module Calendars
  # A technician's visits as a feed that a calendar reads by a link of its own, without signing in.
  class Route < Shared::Route
    # So far back a visit stays in it, and so many are told at most.
    DAYS_BACK = 14
    MOST = 80

    get "/calendar/:secret.ics" do
      link = CalendarLink.of(params[:secret].to_s) or raise ActiveRecord::RecordNotFound
      content_type "text/calendar"
      headers "cache-control" => "private, no-store"
      feed(link.user)
    end

    # Shown once; an earlier link of the same person ends.
    post "/calendar" do
      secret = CalendarLink.issue(current_user, current_user, days: Shared::Shop.limits["job.calendar_link_days"])
      tell "Your calendar reads #{request.base_url}/calendar/#{secret}.ics . The link is shown this once."
      redirect to("/settings"), 303
    end

    private

    # The link is all it takes to read it; making one wants somebody signed in.
    def open_door? = request.get?

    def feed(user)
      calendar = Shared::VisitCalendar.new(words: Shared::Voice.new(user))
      visits(user).each do |visit|
        job = JobSource.numbered(visit.job.number)
        calendar.add(job, at: visit.starts_at, visit: visit.uid, purpose: visit.purpose, minutes: visit.planned_minutes,
          plan: Fenbo::WorkPlan::Progress.of(job))
      end
      calendar.render
    end

    def visits(user)
      Visit.joins(:job).preload(:job).where(technician: user, jobs: {status: "open"}, starts_at: DAYS_BACK.days.ago..)
        .order(:starts_at).limit(MOST)
    end
  end
end
