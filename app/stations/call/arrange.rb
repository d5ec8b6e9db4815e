# frozen_string_literal: true

module Stations
  module Call
    # A job handed to somebody, moved to the unit it is really about, or cancelled.
    class Arrange < Shared::Route
      get("/jobs/:number/arrange") { page }

      post("/jobs/:number/arrange/assign") { hand(form.assign, "call") { |job| given(job) } }

      post("/jobs/:number/arrange/move") do
        hand(form.move(client_id), "call") { |job| "Job #{job.number} is about #{job.unit.name} now." }
      end

      post("/jobs/:number/arrange/cancel") { hand(form.cancel, "arrange") { "Cancelled." } }

      private

      def form = @form ||= ArrangeForm.new(params)

      # Takes the entry, or shows the page again with what stands against it.
      def hand(entry, page_after)
        need :assign
        halt 422, page unless entry && form.clean?
        job = nil
        off = Shared::TakenBack.around(record) { job = take(entry) }
        back_to "/jobs/#{job.number}/#{page_after}", "#{yield(job)} #{off}".strip
      rescue Logbook::Refused => problem
        raise if problem.field == :closed
        form.fault(problem.field, problem.message)
        halt 422, page
      end

      def given(job)
        return "Nobody's yet." unless job.technician
        planned = job.visits.select { |visit| visit.ends_at.nil? && visit.starts_at > Time.now }.min_by(&:starts_at)
        "#{job.technician.name} has it#{", #{day_clock(planned.starts_at)}" if planned}."
      end

      def page
        station :arrange, at: "call", faults: form.faults, typed: params, people: User.in_the_field.order(:name),
          units: Unit.includes(site: :customer).order(:name), row: record
      end
    end
  end
end
