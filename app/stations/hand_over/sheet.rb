# frozen_string_literal: true

module Stations
  module HandOver
    # Where a customer's link leads: the sheet of one job as PDF, nothing else.
    class Sheet < Shared::Route
      get "/sheet/:secret" do
        link = SheetLink.of(params[:secret]) ||
          halt(*refuse(404, "This link has ended", "Ask whoever sent it for another: links last some weeks."))
        link.seen
        found = JobSource.numbered(link.job.number)
        content_type :pdf
        attachment "fenbo-job-#{found.number}.pdf", :inline
        headers "X-Robots-Tag" => "noindex"
        Pdf.new(report(found), Shared::Voice.new(link.made_by)).render
      end

      private

      def open_door? = true

      def report(found) = Report.of(found)
    end
  end
end
