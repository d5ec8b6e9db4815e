# frozen_string_literal: true

module Stations
  module WorkPlan
    # Ticking one step of the work plan: the gate first, every fastener counted out
    # and back, every measurement understood.
    class StepDone
      Fault = Struct.new(:step, :message, :typed)

      attr_reader :fault

      def initialize(plan, params, user)
        @plan = plan
        @params = params
        @user = user
        @step = plan.steps.find { |step| step.id == params[:step] }
      end

      def save
        return refuse("This step is not in the plan any more.") unless @step
        unless @plan.open?(@step)
          return refuse("The safety gate comes first: #{@plan.plan.gate.find { |step| !@plan.done(step) }.text}")
        end
        count, measured = count(), measured()
        return false if fault
        WorkStep.find_or_initialize_by(job: @plan.job, step: @step.id).update!(
          user: @user,
          done_at: Time.now,
          fasteners: count,
          measured:
        )
        true
      rescue ActiveRecord::RecordNotUnique
        # The same tick twice at once: it is done.
        true
      end

      private

      # Fasteners taken out are counted here; those going back must be as many.
      def count
        return nil unless @step.fasteners
        text = @params[:fasteners].to_s.strip
        return refused("How many #{@step.fasteners["kind"]}s? A whole number.") unless text.match?(/\A\d{1,3}\z/)
        out = @plan.taken_out(@step)
        if @step.phase == "back" && out && text.to_i != out
          return refused("#{out} came out, #{text} went back. Find the difference before closing.")
        end
        text.to_i
      end

      def measured
        return nil unless @step.measure && !@params[:measured].to_s.strip.empty?
        reading = Fenbo::Quantities.read(@params[:measured], @step.measure["kind"], system: @user.unit_system)
        reading.ok? ? reading.value : refused(reading.fault)
      end

      def refuse(message)
        refused(message)
        false
      end

      def refused(message)
        @fault = Fault.new(@params[:step], message, @params)
        nil
      end
    end
  end
end
