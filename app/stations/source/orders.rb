# frozen_string_literal: true

module Stations
  module Source
    # What was ordered for a job: whether it still comes as promised, and the sheet for whoever
    # fetches or sells it.
    class Orders < Shared::Route
      # Whether it still comes as it was promised.
      post "/jobs/:number/orders/:order/ask" do
        still_open
        on_its_way
        days = Suppliers::Ordering.ask_again(order)
        back_to "/jobs/#{job.number}/source?fan=#{spot}",
          days.zero? ? "#{order.supplier_name}: as promised." : "#{order.supplier_name}: #{count(days, "day")} later."
      rescue Suppliers::Service::Silent
        back_to "/jobs/#{job.number}/source?fan=#{spot}", "#{order.supplier_name} does not answer. Nothing is changed."
      end

      # Somebody was told on the telephone that it comes at another time.
      post "/jobs/:number/orders/:order/move" do
        still_open
        on_its_way
        typed = Shared::Form.new(params, system: current_user.unit_system)
        at = typed.time(:ready_at)
        halt(*refuse(422, "Not understood", typed.faults.values.first || "When does it come?")) unless at
        order.moves_to(at)
        back_to "/jobs/#{job.number}/source?fan=#{spot}", "Moved; the visit moved with it."
      end

      # It is in our hands, whatever was promised.
      post "/jobs/:number/orders/:order/come" do
        still_open
        gone unless order.came(Time.now)
        back_to "/jobs/#{job.number}/fit?fan=#{spot}", "#{order.part_no} is here."
      end

      # It went back, or stays on the van of whoever has it; a closed job's too.
      post "/jobs/:number/orders/:order/settle" do
        need :quote
        how = Shared::Form.new(params).choice(:how, ends)
        halt(*refuse(422, "Not understood", "Did it go back, or is it on your van?")) unless how
        gone("It was not waiting to go back.") unless order.settle(how, current_user)
        back_to "/jobs/#{job.number}/source?fan=#{spot}", "#{order.part_no}: #{PartsSheet::STATES[how]}."
      end

      get "/jobs/:number/parts.pdf" do
        content_type :pdf
        attachment "parts-job-#{job.number}.pdf", :inline
        PartsSheet.new(job, PartOrder.standing(record), words: self).pdf
      end

      get "/jobs/:number/parts.csv" do
        content_type "text/csv"
        attachment "parts-job-#{job.number}.csv"
        PartsSheet.new(job, PartOrder.standing(record), words: self).csv
      end

      private

      # The office has no van.
      def ends = current_user.office? ? %w[returned] : %w[returned kept]

      # What is closed and signed has no delivery to wait for.
      def still_open
        need :quote
        halt(*refuse(422, "That was not taken", Logbook.new(record, current_user).closed)) unless job.open?
      end

      def on_its_way = order.coming? || gone

      def gone(why = "Nothing of this order is on its way any more.")
        halt(*refuse(422, "That was not taken", why))
      end

      def order
        @order ||= PartOrder.find_by!(job: record, uid: uuid(params[:order]))
      end
    end
  end
end
