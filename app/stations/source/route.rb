# frozen_string_literal: true

module Stations
  module Source
    # Station 6: where the part comes from, and when.
    class Route < Shared::Route
      get "/jobs/:number/source" do
        station :source, sources:, neighbours: Neighbours.new(job, plan).rows
      end

      post "/jobs/:number/source" do
        need :decide
        option = sources.option(params[:offer], params[:finish_at], params[:stopgap])
        halt(*refuse(422, "That offer is gone", "Hours or stock have changed. Go back and choose again.")) unless option
        take_or_refuse(sources.entry(option),
          {approval: "The customer's yes comes first", offer: "Somebody was faster"})
        back_to "/jobs/#{job.number}/#{option.second_trip ? "source" : "fit"}?fan=#{spot}",
          "#{Suppliers::Desk.name_of(option.offer)} it is."
      end

      private

      # Whether this way out has to be asked for first, with what is taken already.
      def ask_first?(option)
        approval.asks?(approval.cost_of(option.as_json) + approval.committed(except: fault_here.key))
      end

      def approval = @approval ||= Fenbo::Decision::Approval.new(job)

      # What no other beats on both counts, in words.
      def frontier_words
        return "Soonest and cheapest of all." if sources.options.one?(&:frontier)
        "Sooner only costs more, cheaper only takes longer."
      end

      def offer_words(option)
        done = Shared::Shop.from_local(option.finish_at).strftime("%a %H:%M")
        "#{Suppliers::Desk.name_of(option.offer)}, done #{done}"
      end

      # "with: dry ice …, 30 min"
      def stopgap_words(id)
        one = sources.stopgap(id)
        "With #{one.label[0].downcase}#{one.label[1..]}, #{one.minutes} min" if one
      end

      # How long the product could have waited beyond it.
      def margin_words(hours)
        return "the product waits" if hours.nil?
        hours.negative? ? "late by #{hours_words(-hours)}" : "#{hours_words(hours)} to spare"
      end

      def sources
        @sources ||= PartSources.new(job, fault_here, plan:, clock: product_clock)
      end
    end
  end
end
