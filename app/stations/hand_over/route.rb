# frozen_string_literal: true

module Stations
  module HandOver
    # Station 9: what the customer gets, signed.
    class Route < Shared::Route
      get "/jobs/:number/hand_over" do
        station :hand_over, handover: handover, proof: Shared::Proof.new(job), faults: {}, typed: {}
      end

      post "/jobs/:number/hand_over" do
        need :record
        form = Form.new(job, params, current_user)
        unless form.save
          halt 422, station(:hand_over, handover:, proof: Shared::Proof.new(job), faults: form.faults, typed: params)
        end
        back_to "/jobs/#{job.number}/hand_over", "Kept."
      end

      post "/jobs/:number/close" do
        need :decide
        closing = Closing.new(job, current_user)
        unless closing.close
          halt 422,
            station(
              :hand_over,
              handover:,
              proof: Shared::Proof.new(job),
              faults: {
                "close" => closing.fault
              },
              typed: {}
            )
        end
        back_to "/jobs/#{job.number}/hand_over", (job.closed? ? "Closed." : "A technician countersigns it next.")
      end

      post "/jobs/:number/close/countersign" do
        need :countersign
        Closing.new(job, current_user).countersign
        back_to "/jobs/#{job.number}/hand_over", "Countersigned and closed."
      end

      post "/jobs/:number/reopen" do
        need :countersign
        Closing.new(job, current_user).reopen
        back_to "/jobs/#{job.number}/hand_over", "Open again."
      end

      private

      def handover = job.handover || Handover.new
    end
  end
end
