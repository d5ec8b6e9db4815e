# frozen_string_literal: true

module Stations
  module WorkPlan
    # Station 7: the work plan of one fan and task, one step at a time, every fastener counted.
    class Route < Shared::Route
      include Words

      PAPERS = {"a4" => "A4", "letter" => "Letter"}.freeze

      get "/jobs/:number/fit" do
        page
      end

      # On paper: every step with its box, drawing and cautions.
      get "/jobs/:number/fit/print" do
        erb :print, layout: false, locals: {plan:, paper:}
      end

      post "/jobs/:number/fit/features" do
        form = FeaturesForm.new(plan, params)
        take Entries::Features.new(answers: form.answers)
        back_to here, "Kept with the unit."
      end

      post "/jobs/:number/fit/cleaning" do
        form = CleaningForm.new(plan, params)
        halt 422, page(cleaning: form) unless form.read
        take form.entry(client_id)
        back_to here, "Cleaning kept: #{form.words}."
      end

      post "/jobs/:number/fit/steps/:step" do
        form = StepForm.new(plan, params, current_user)
        halt 422, page(fault: form.fault) unless form.read
        keep(form)
        # Nobody goes on past a measure that is off without having seen it.
        back_to(form.off ? "#{here}&step=#{params[:step]}" : here)
      end

      # What the meter says at a live step: the reading that Prove asks for.
      post "/jobs/:number/fit/steps/:step/readings" do
        need :record
        meter = meter_of(params)
        halt 422, page(meter:) unless meter.ask
        reading = take(meter.entry(id: client_id, phase: "after"))
        back_to "#{here}&step=#{params[:step]}", "#{meter.label} kept: #{verdict_words(reading.verdict)}."
      end

      post "/jobs/:number/fit/steps/:step/undo" do
        take Entries::StepUndone.new(fault: plan.fault.key, task: plan.task, step: params[:step])
        back_to "#{here}&step=#{params[:step]}"
      end

      private

      # What is looked at is the opening that a work is part of, unless it is asked for by itself;
      # a tick goes where its form stood.
      def as = (request.get? && params[:alone] != "1") ? :part : :lead

      # As asked, else as the reader's units suggest.
      def paper
        return params[:paper] if PAPERS.key?(params[:paper])
        (current_user.unit_system == "us") ? "letter" : "a4"
      end

      # The plan asked for, by fault and task; made safe counts for a working day.
      def plan
        @plan ||= Fenbo::WorkPlan::Progress.of(job, fault: fault_here.key, task: params[:task],
          limits: Shared::Shop.limits, now: Time.now, as:)
      end

      def here = plan_path(plan)

      # What was ordered for it and is not here yet.
      def coming = record.coming_for(plan.parts.lead)

      def page(fault: nil, cleaning: CleaningForm.new(plan, {}), meter: meter_of({"turning" => "yes"}))
        step = plan.step(fault&.step || params[:step]) || plan.next_step
        station(:fit, plan:, step:, fault:, cleaning:, meter:)
      end

      # The clamp at the fan that is worked on, judged by the plate of what went in.
      def meter_of(typed)
        Shared::Instrument.of("amps", typed, user: current_user, job:, fan: plan.fan, phase: "after")
      end

      def keep(form)
        take(form.entry)
      rescue Logbook::Refused => problem
        halt 422, page(fault: form.refused(problem.field, problem.message))
      end
    end
  end
end
