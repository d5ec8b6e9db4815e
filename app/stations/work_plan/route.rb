# frozen_string_literal: true

module Stations
  module WorkPlan
    # Station 7: the work plan, step by step, every fastener counted.
    class Route < Shared::Route
      include Words

      get "/jobs/:number/fit" do
        page
      end

      post "/jobs/:number/fit/features" do
        form = FeaturesForm.new(plan!, params)
        take Entries::Features.new(answers: form.answers)
        back_to "/jobs/#{job.number}/fit?fan=#{position.key}", "Kept with the unit."
      end

      post "/jobs/:number/fit/steps/:step" do
        form = StepForm.new(plan!, params, current_user)
        halt 422, page(fault: form.fault) unless form.read
        keep(form)
        redirect to("/jobs/#{job.number}/fit?fan=#{position.key}#step-#{params[:step]}"), 303
      end

      post "/jobs/:number/fit/steps/:step/undo" do
        take Entries::StepUndone.new(step: params[:step])
        redirect to("/jobs/#{job.number}/fit?fan=#{position.key}#step-#{params[:step]}"), 303
      end

      private

      def plan! = plan || raise(ActiveRecord::RecordNotFound)

      def page(fault: nil) = station(:fit, plan:, fault:)

      def keep(form)
        take(form.entry)
      rescue Logbook::Refused => problem
        halt 422, page(fault: form.refused(problem.message))
      end
    end
  end
end
