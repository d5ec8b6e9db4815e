# frozen_string_literal: true

module Stations
  module WorkPlan
    # One step as it was ticked: the fasteners counted, what was measured. Whether the step
    # is open and the count agrees is for the entry to say.
    class StepForm
      Fault = Fenbo::Value.of(:step, :message, :typed)

      attr_reader :fault

      # @param plan [Fenbo::WorkPlan::Progress]
      def initialize(plan, params, user)
        @params = params
        @user = user
        @step = plan.steps.find { |step| step.id == params[:step] }
      end

      # Reads what was typed; false with a fault.
      def read
        @fasteners, @measured = count, measured
        fault.nil?
      end

      def entry
        Entries::Step.new(step: @params[:step].to_s, fasteners: @fasteners, measured: @measured)
      end

      # The fault as the page shows it at its step.
      def refused(message)
        @fault = Fault.new(step: @params[:step], message:, typed: @params)
      end

      private

      def count
        return nil unless @step&.fasteners
        text = @params[:fasteners].to_s.strip
        return text.to_i if text.match?(/\A\d{1,3}\z/)
        refused("How many #{@step.fasteners["kind"]}s? A whole number.")
        nil
      end

      def measured
        return nil if @step&.measure.nil? || @params[:measured].to_s.strip.empty?
        reading = Fenbo::Quantities.read(@params[:measured], @step.measure["kind"], system: @user.unit_system)
        refused(reading.fault) unless reading.ok?
        reading.value
      end
    end
  end
end
