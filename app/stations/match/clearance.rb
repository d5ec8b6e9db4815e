# frozen_string_literal: true

module Stations
  module Match
    # Inside Match: does this part's shaft let the blade clear, and where does the hub sit?
    class Clearance < Shared::Route
      include Words

      get "/jobs/:number/fitting" do
        form.ask if form.asked?
        page
      end

      # The drawing and its conditions for another seat, as a fragment.
      get "/jobs/:number/fitting/drawing" do
        halt 422, "" unless form.asked? && form.ask
        partial :fit_drawing, form:, search:
      end

      # The measurements are kept as a reading of this fan; every part is judged by them.
      post "/jobs/:number/fitting" do
        need :record
        halt 422, page unless form.ask
        take(form.entry(id: client_id))
        back_to "/jobs/#{job.number}/fitting?#{Rack::Utils.build_query(fan: spot, part: params[:part].to_s)}",
          "Measurements of #{job.unit.called(position)} kept."
      end

      private

      def part_no = params[:part].to_s

      def search
        @search ||= PartSearch.new(job, position, also: [part_no], fault: fault_here)
      end

      def motor
        @motor ||= Motor.find_by(part_no:) || raise(ActiveRecord::RecordNotFound)
      end

      def form
        @form ||= ClearanceForm.new(position, motor, params, current_user)
      end

      def page = station(:fitting, at: "match", search:, motor:, form:)
    end
  end
end
