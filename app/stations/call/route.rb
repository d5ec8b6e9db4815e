# frozen_string_literal: true

module Stations
  module Call
    # Station 1: the complaint, the way in, the product and its clock.
    class Route < Shared::Route
      get "/jobs/:number/call" do
        station :call, typed: nil, faults: {}
      end

      post "/jobs/:number/call" do
        need :open_job
        form = Form.new(params, current_user)
        halt 422, station(:call, typed: params, faults: form.faults) unless form.update(job)
        Shared::Progress.finish(job, "call", current_user) if params[:go_on] == "1"
        back_to "/jobs/#{job.number}/#{(params[:go_on] == "1") ? "look" : "call"}", "Call kept."
      end
    end
  end
end
