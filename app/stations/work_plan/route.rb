# frozen_string_literal: true

module Stations
  module WorkPlan
    # Station 7: the work plan, step by step, every fastener counted.
    class Route < Shared::Route
      get "/jobs/:number/fit" do
        station :fit, plan: Shared::WorkPlan.of(job), fault: nil
      end

      post "/jobs/:number/fit/features" do
        need :record
        plan = Shared::WorkPlan.of(job) or raise ActiveRecord::RecordNotFound
        answers =
          plan.features.to_h do |id, feature|
            [
              id,
              (
                if feature.key?("flag")
                  params[id] == "1"
                else
                  (feature["choices"] & [params[id]]).first || feature["choices"].first
                end
              )
            ]
          end
        job.unit.update!(features: job.unit.features.merge(answers))
        back_to "/jobs/#{job.number}/fit", "Kept with the unit."
      end

      post "/jobs/:number/fit/steps/:step" do
        need :record
        plan = Shared::WorkPlan.of(job) or raise ActiveRecord::RecordNotFound
        done = StepDone.new(plan, params, current_user)
        halt 422, station(:fit, plan:, fault: done.fault) unless done.save
        Shared::Progress.finish(job, "fit", current_user) if Shared::WorkPlan.of(job.reload).finished?
        redirect to("/jobs/#{job.number}/fit#step-#{params[:step]}"), 303
      end

      post "/jobs/:number/fit/steps/:step/undo" do
        need :record
        step = job.work_steps.find_by!(step: params[:step])
        AuditEntry.create!(
          user: current_user,
          action: "unticked",
          record_type: "WorkStep",
          record_id: step.id,
          changes_made: step.attributes,
          created_at: Time.now
        )
        step.destroy!
        redirect to("/jobs/#{job.number}/fit#step-#{params[:step]}"), 303
      end
    end
  end
end
