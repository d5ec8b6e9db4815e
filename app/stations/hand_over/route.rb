# frozen_string_literal: true

module Stations
  module HandOver
    # Station 9: what the customer gets, signed.
    class Route < Shared::Route
      get "/jobs/:number/hand_over" do
        page
      end

      post "/jobs/:number/hand_over" do
        form = Form.new(params, signed: job.handover&.signed_name)
        halt 422, page(faults: form.faults, typed: params) unless form.read
        take form.entry
        back_to "/jobs/#{job.number}/hand_over", "Kept."
      end

      # A link for the customer, shown once.
      post "/jobs/:number/sheet" do
        need :record
        secret = SheetLink.issue(record, current_user, days: Shared::Shop.limits["job.sheet_link_days"])
        page(link: "#{request.base_url}/sheet/#{secret}")
      end

      post "/jobs/:number/close" do
        settle Entries::Close.new
        back_to "/jobs/#{job.number}/hand_over", (job.closed? ? "Closed." : "A technician countersigns it next.")
      end

      post "/jobs/:number/close/countersign" do
        settle Entries::CloseCountersign.new(read: text(:read, 64))
        back_to "/jobs/#{job.number}/hand_over", "Countersigned and closed."
      end

      post "/jobs/:number/reopen" do
        settle Entries::Reopen.new(reason: text(:reopen, 500))
        back_to "/jobs/#{job.number}/hand_over", "Open again."
      end

      private

      def page(faults: {}, typed: {}, link: nil)
        station(:hand_over, proof:, report: Report.of(job), faults:, typed:, link:, proposed:,
          version: typed["version"] || version)
      end

      # Only as long as nobody has written something.
      def proposed
        return if job.handover&.summary || job.closed?
        Proposed.new(job, proof:, voice: Shared::Voice.new(current_user)).text
      end

      # Of what is kept, so that nobody writes over what somebody else wrote meanwhile.
      def version = record.handover_version

      def settle(entry)
        take entry
      rescue Logbook::Refused => problem
        halt 422, page(faults: {problem.field.to_s => problem.message}, typed: params)
      end
    end
  end
end
