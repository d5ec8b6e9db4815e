# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # One fan of a job as the case `diagnose` takes.
    class JobCase
      # @param job [JobFile::Job]
      # @param fan [JobFile::Fan]
      # @param today [Date]
      # @param minute_cost [Float] what a minute of work costs, in the shop's money
      # @param experience [Hash, nil] what the shop's closed jobs taught
      # @param without [JobFile::Finding, nil] one to leave out: what stood before it
      def initialize(job, fan, today:, minute_cost:, experience: nil, without: nil)
        @job = job
        @fan = fan
        @today = today
        @minute_cost = minute_cost
        @experience = experience
        @without = without
      end

      def to_h
        {
          "unit" => {"family" => unit.family, "refrigerant" => unit.refrigerant, "fans" => fans}.compact,
          "position" => @fan.key, "context" => context, "findings" => findings.map(&:to_case), "state" => @job.state,
          "cost" => {"minute" => @minute_cost}, "experience" => @experience
        }.compact
      end

      def findings = @findings ||= @job.live_findings - [@without]

      private

      def unit = @job.unit

      def fans
        unit.fans.map { |fan| {"position" => fan.key, "motor" => {"family" => fan.motor&.family}.compact} }
      end

      def context
        {
          "side" => @fan.side, "age_years" => age, "recent_work" => @job.recent_work,
          "complaint" => @job.complaint_kinds
        }.compact
      end

      def age = @fan.motor&.age_years(@today)&.round(1)&.clamp(0, 100)
    end
  end
end
