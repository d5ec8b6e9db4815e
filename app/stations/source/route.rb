# frozen_string_literal: true

module Stations
  module Source
    # Station 6: where the part comes from, and when.
    class Route < Shared::Route
      get "/jobs/:number/source" do
        station :source, sources: PartSources.new(job)
      end

      post "/jobs/:number/source" do
        need :decide
        sources = PartSources.new(job)
        option =
          sources.options.find { |one| one[:offer] == params[:offer] && one[:finish_at] == params[:finish_at] } ||
          sources.options.find { |one| one[:offer] == params[:offer] }
        halt(*refuse(422, "That offer is gone", "Hours or stock have changed. Go back and choose again.")) unless option
        pick(option)
        back_to "/jobs/#{job.number}/#{option[:second_trip] ? "source" : "fit"}",
          "#{Suppliers::PriceService.name_of(option[:offer])} it is."
      end

      private

      def pick(option)
        finish = Shared::Shop.from_local(option[:finish_at])
        minutes = Shared::WorkPlan.of(job)&.minutes || 60
        job.part_choice.update!(offer: option.as_json, ready_at: finish - minutes * 60)
        plan_visit(finish - minutes * 60) if option[:second_trip]
        Shared::Progress.finish(job, "source", current_user)
      end

      # The visit the part is for; an earlier plan for it moves.
      def plan_visit(starts_at)
        planned = job.visits.find { |one| one.ends_at.nil? && one.starts_at > Time.now }
        technician = job.technician || current_user
        planned ? planned.update!(starts_at:) : job.visits.create!(technician:, starts_at:, purpose: "fit the part")
      end
    end
  end
end
