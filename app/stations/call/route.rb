# frozen_string_literal: true

module Stations
  module Call
    # Station 1: the complaint, the way in, the product and its clock.
    class Route < Shared::Route
      get "/jobs/:number/call" do
        page
      end

      post "/jobs/:number/call" do
        need :open_job
        raise Logbook::Refused.new(:closed, Logbook.new(record, current_user).closed) if record.closed?
        form = Form.new(params, current_user)
        halt 422, page(typed: params, faults: form.faults) unless form.update(record)
        Logbook.new(record, current_user).finish("call") if params[:go_on] == "1"
        back_to "/jobs/#{job.number}/#{(params[:go_on] == "1") ? "look" : "call"}", "Call kept."
      end

      private

      # Fans whose motor an earlier job fitted: worked on lately, whoever says so.
      def lately(job)
        job.unit.fans.select { |fan| job.fitted_lately?(fan, Shared::Shop.limits) }
      end

      # Open on the same unit; of a job that ended nobody asks.
      def others(record)
        return [] if record.closed?
        Job.open.where(unit_id: record.unit_id).where.not(id: record.id).includes(:technician).order(:number)
      end

      def box_hint(job)
        return "As the customer reads it, or on arrival." unless job.box_read_at
        "Read #{day_clock(job.box_read_at)}; a new figure starts the clock anew."
      end

      def page(typed: nil, faults: {})
        earlier = record.earlier_decided(Shared::Shop.limits["job.comes_back_days"])
        station(:call, typed:, faults:, version: record.lock_version, earlier:, others: others(record))
      end
    end
  end
end
