# frozen_string_literal: true

module Stations
  module WorkPlan
    # One step as it was ticked: the fasteners counted, what was measured, the points of a
    # proof, a note. Whether the step is open and the count agrees is for the entry to say.
    class StepForm
      Fault = Fenbo::Value.of(:step, :field, :message, :typed)
      LONGEST_NOTE = 500

      attr_reader :fault

      # @param plan [Fenbo::WorkPlan::Progress]
      def initialize(plan, params, user)
        @plan = plan
        @params = params
        @user = user
        @step = plan.step(params[:step])
      end

      # Reads what was typed; false with a fault.
      def read
        @fasteners, @measured = skipped ? [nil, nil] : [count, measured]
        fault.nil?
      end

      def entry
        Entries::Step.new(fault: @plan.fault.key, task: @plan.task, step: @params[:step].to_s, fasteners: @fasteners,
          measured: @measured, proof: Array(@params[:proof]).filter_map { |one| Integer(one, exception: false) }, note:,
          skipped:)
      end

      # What was measured where that is not as it should be, to be looked at once more.
      def off = (@measured if @step && @plan.off(@step, @measured))

      # The fault as the page shows it at its step.
      def refused(field, message)
        @fault ||= Fault.new(step: @params[:step], field: field.to_s, message:, typed: @params)
      end

      private

      def skipped = @params[:skipped] == "1"

      def note = @params[:note].to_s.strip[0, LONGEST_NOTE].presence

      def count
        return nil unless @step&.fasteners
        text = @params[:fasteners].to_s.strip
        return text.to_i if text.match?(/\A\d{1,3}\z/)
        refused(:fasteners, "How many (#{@step.fasteners["kind"]})? A whole number.")
        nil
      end

      def measured
        return nil if @step&.measure.nil? || @params[:measured].to_s.strip.empty?
        reading = Fenbo::Quantities.read(@params[:measured], @step.measure["kind"], system: @user.unit_system)
        refused(:measured, reading.fault) unless reading.ok?
        reading.value
      end
    end
  end
end
