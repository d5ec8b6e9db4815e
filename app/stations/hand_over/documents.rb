# frozen_string_literal: true

module Stations
  module HandOver
    # The handover report as a page and as PDF, and the next visit for a calendar.
    class Documents < Shared::Route
      get "/jobs/:number/report" do
        erb :report, locals: {report:}
      end

      get "/jobs/:number/report.pdf" do
        content_type :pdf
        attachment "fenbo-job-#{job.number}.pdf", :inline
        Pdf.new(report, self).render
      end

      get "/jobs/:number/next-visit.ics" do
        at = job.handover&.next_visit_at || job.visits.find { |one| one.starts_at > Time.now }&.starts_at or
          raise ActiveRecord::RecordNotFound
        content_type "text/calendar"
        attachment "fenbo-job-#{job.number}.ics"
        Shared::VisitCalendar.new(words: self).add(job, at:, plan:, purpose: job.handover&.next_visit_for).render
      end

      private

      def report = Report.of(job)
    end
  end
end
