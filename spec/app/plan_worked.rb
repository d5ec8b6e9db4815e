# frozen_string_literal: true

require_relative "app_spec_helper"

# A job at Work, its plan ticked as the page brings it.
RSpec.shared_context "a plan worked" do
  let(:job) { create(:job) }
  let(:technician) { create(:user) }

  before do
    job.unit.update!(features: {"hub" => "set_screw", "mount" => "ring", "filter" => false})
    sign_in technician
    get "/jobs/#{job.number}/fit"
  end

  def tick(step, **fields)
    send_form("/jobs/#{job.number}/fit/steps/#{step}", **fields)
  end

  def plan(**more)
    Fenbo::WorkPlan::Progress.of(file(job), **more)
  end

  def make_safe(**fields)
    %w[fans_locked heaters_locked].each { |step| tick(step, **fields) }
    tick("proved_dead", proof: %w[0 1 2], **fields)
  end

  # Every step as the page brings it, as far as `stop`.
  def work(stop: nil, **which)
    while (step = plan(**which).next_step) && step.id != stop
      tick(step.id, fan: plan(**which).fault.key, task: plan(**which).task, fasteners: step.fasteners ? "4" : nil,
        proof: (0...step.proof.size).map(&:to_s))
      expect([step.id, status]).to eq [step.id, 303]
    end
  end
end
