# frozen_string_literal: true

module Stations
  module Source
    # Station 6: where the part comes from, and when.
    class Route < Shared::Route
      get "/jobs/:number/source" do
        station :source, sources:, ways:, neighbours: Neighbours.new(job, plan).rows
      end

      post "/jobs/:number/source" do
        need :decide
        option = sources.option(params[:offer], params[:finish_at], params[:stopgap])
        halt(*refuse(422, "That offer is gone", "Hours or stock have changed. Go back and choose again.")) unless option
        before = Shared::TakenBack.new(record)
        take_or_refuse(sources.entry(option),
          {approval: "The customer's yes comes first", offer: "Somebody was faster"})
        told = Suppliers::Ordering.at_once(record)
        back_to "/jobs/#{job.number}/#{option.second_trip ? "source" : "fit"}?fan=#{spot}",
          "#{ordered_words(option, told)} #{before.words}".strip
      end

      private

      def orders = @orders ||= PartOrder.standing(record).to_a

      # Sold out is said at once; silence is no reason to wait.
      def ordered_words(option, told)
        name = Suppliers::Desk.name_of(option.offer)
        return "#{name} does not answer: the order is kept, and sent by itself." unless told
        return "#{name} it is." unless PartOrder.where(job: record).last&.state == "sold"
        "Somebody was faster at #{name}: the last piece is gone. Choose another way."
      end

      # Whether this way out has to be asked for first, with what is taken already.
      def ask_first?(option)
        approval.asks_with?(option.as_json, except: fault_here.key)
      end

      # Where a way out is asked about before it is taken.
      def quote_path(option)
        asked = {fan: spot, offer: option.offer, stopgap: option.stopgap, finish_at: option.finish_at,
                 at: (slot["at"] if slot["offer"] == option.offer)}.compact
        "/jobs/#{job.number}/quote?#{Rack::Utils.build_query(asked)}"
      end

      def approval = @approval ||= Fenbo::Decision::Approval.new(job)

      def customer_message = Message.new(job, fault_here, words: self).text

      # Its numbers, and when work can begin with it; none begins with what is not used.
      def order_words(order)
        begins = "work from #{day_clock(order.ready_at)}" if order.awaited? || order.state == "here"
        [("their #{order.their_no}" if order.their_no), "order #{order.number}", begins].compact.join(", ")
      end

      # What a slip does to the product, with what holds it meanwhile.
      def slip_words(order)
        held = sources.stopgap(fault_here.part_choice&.offer.to_h["stopgap"])
        left = held ? held.hours_to_limit : product_clock.hours_left
        return "The product waits." if left.nil?
        late = (order.ready_at - Time.now) / 3600.0 - left
        return "The product still waits so long." if late.negative?
        "The product passes its limit #{hours_words(late)} before: look at the ways above again, and at a stopgap."
      end

      def advice
        @advice ||= Advice.new(ways, sources, words: self, site_hours: job.unit.site.hours)
      end

      # Whether this is the one that was taken.
      def taken?(option)
        offer, stopgap = fault_here.part_choice&.offer&.values_at("offer", "stopgap")
        # What is in place already is no part of a way any more.
        [offer, (stopgap unless stopgap == product_clock.stopgap)] == [option.offer, option.stopgap]
      end

      # Whether what it would order there has come.
      def in_hand?(option)
        choice = fault_here.part_choice
        choice&.here? && choice.offer["offer"] == option.offer
      end

      def way_words(way) = advice.name_of(way)

      # How long the product could have waited beyond it.
      def margin_words(hours)
        return "the product waits" if hours.nil?
        hours.negative? ? "late by #{hours_words(-hours)}" : "#{hours_words(hours)} to spare"
      end

      def sources
        @sources ||= PartSources.new(job, fault_here, clock: product_clock, slot:)
      end

      # Where a hand has dragged one way's work; nonsense is let go.
      def slot
        return {} unless params[:at].to_s.match?(/\A\d{4}-\d\d-\d\dT\d\d:\d\d\z/)
        {"offer" => params[:offer].to_s, "at" => params[:at]}
      end

      def ways = @ways ||= Ways.new(sources, site_hours: job.unit.site.hours)
    end
  end
end
