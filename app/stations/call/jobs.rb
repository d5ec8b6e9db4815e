# frozen_string_literal: true

module Stations
  module Call
    # Opening a job, finding its way, and how the unit stands while it is worked on.
    class Jobs < Shared::Route
      get "/jobs/?" do
        erb :jobs, locals: {open: listed(Job.open), closed: listed(Job.where(status: "closed")).limit(30)}
      end

      get "/jobs/new" do
        need :open_job
        erb :job_new, locals: {unit: unit, typed: sister, faults: {}}
      end

      post "/jobs" do
        need :open_job
        known = Job.find_by(client_id:)
        redirect to("/jobs/#{known.number}/call"), 303 if known
        form = Form.new(params, current_user)
        job = form.save(client_id) or halt 422, erb(:job_new, locals: {unit: unit, typed: params, faults: form.faults})
        back_to "/jobs/#{job.number}/call", "Job #{job.number} opened."
      end

      get "/jobs/:number" do
        redirect to("/jobs/#{job.number}/#{job.station}"), 303
      end

      # Looking, live, cover off, proved dead: who said so and when is kept.
      post "/jobs/:number/state" do
        need :record
        unless Shared::Words::STATES.key?(params[:state])
          halt(*refuse(422, "That state is not known", "Choose one of the states on the page."))
        end
        job.update!(state: params[:state], state_at: Time.now, state_by: current_user)
        back_to "/jobs/#{job.number}/measure?fan=#{position.key}",
          "#{Shared::Words::STATES[job.state]}, #{clock(job.state_at)}."
      end

      post "/jobs/:number/stations/:name" do
        need :record
        unless Job::STATIONS.include?(params[:name])
          halt(*refuse(404, "There is no such station", "Choose one of the nine."))
        end
        Shared::Progress.finish(job, params[:name], current_user)
        redirect to("/jobs/#{job.number}/#{job.station}"), 303
      end

      private

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
