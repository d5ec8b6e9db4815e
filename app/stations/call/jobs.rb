# frozen_string_literal: true

module Stations
  module Call
    # Opening a job, finding its way, and how the unit stands while it is worked on.
    class Jobs < Shared::Route
      get "/jobs/?" do
        erb :jobs, locals: {open: listed(Job.open), closed: listed(Job.ended).limit(30)}
      end

      get "/jobs/new" do
        need :open_job
        opening(typed: sister)
      end

      post "/jobs" do
        need :open_job
        known = Job.find_by(client_id:)
        redirect to("/jobs/#{known.number}/call"), 303 if known
        form = Form.new(params, current_user)
        job = form.save(client_id) or halt 422, opening(typed: params, faults: form.faults)
        back_to "/jobs/#{job.number}/call", "Job #{job.number} opened."
      end

      get "/jobs/:number" do
        redirect to("/jobs/#{job.number}/#{job.station}"), 303
      end

      # Looking, live, cover off, proved dead: who said so and when is kept.
      post "/jobs/:number/state" do
        take_or_refuse(Entries::State.new(state: params[:state]), "That state is not known")
        back_to came_from, "#{Shared::Words::STATES[job.state]}, #{clock(job.state_at)}."
      end

      post "/jobs/:number/stations/:name" do
        take_or_refuse(Entries::StationDone.new(station: params[:name]), "There is no such station")
        redirect to("/jobs/#{job.number}/#{job.station}"), 303
      end

      private

      def opening(typed:, faults: {})
        units = Unit.includes(site: :customer).order(:name).group_by { |one| one.site.customer.name }
        busy = Job.open.order(:number).pluck(:unit_id, :number).group_by(&:first).transform_values { |rows|
          rows.map(&:last)
        }
        erb :job_new, locals: {unit:, units: units.sort, busy:, people: User.in_the_field, typed:, faults:}
      end

      # ": job 220 is open", ": jobs 220 and 232 are open"
      def open_jobs_words(numbers)
        ": #{numbers.one? ? "job" : "jobs"} #{numbers.to_sentence} #{numbers.one? ? "is" : "are"} open"
      end

      # The station it was said at, with the question that was chosen there.
      def came_from
        place = (params[:back] == "look") ? "look" : "measure"
        test = Fenbo::Diagnosis::Test.all[params[:test]]&.id
        "/jobs/#{job.number}/#{place}?#{Rack::Utils.build_query({fan: spot, test:}.compact)}"
      end

      # A job of the same visit starts from what its sister was told.
      def sister
        number = whole(params[:beside])
        one = Job.find_by(number:) or return {}
        {
          "beside" => one.number.to_s,
          "complaint" => one.complaint,
          "complaint_kinds" => one.complaint_kinds,
          "access_notes" => one.access_notes
        }
      end

      def unit
        params[:unit].to_s.empty? ? nil : Unit.find_by(id: whole(params[:unit]))
      end

      def listed(scope)
        scope.includes(:technician, unit: {site: :customer}).order(opened_at: :desc)
      end
    end
  end
end
