# frozen_string_literal: true

module Stations
  module Source
    # Where the chosen motor can come from, and when the job would be done.
    class PartSources
      def initialize(job, now: Time.now)
        @job = job
        @now = now
      end

      def motor = @job.part_choice&.motor

      def result
        @result ||= Fenbo::Tools.call("source", question, limits: Shared::Shop.limits)
      end

      def options = (motor.nil? || result.refused?) ? [] : result[:options]

      def question
        {
          "now" => Shared::Shop.local(@now).strftime("%Y-%m-%dT%H:%M"),
          "rate_per_hour_cents" => Setting.read("rate_per_hour_cents"),
          "overtime_factor" => Setting.read("overtime_factor"),
          "overtime_allowed" => @job.unit.customer.overtime_allowed,
          "work_hours" => Setting.read("work_hours"),
          "trip_cents" => Setting.read("trip_cents"),
          "work_minutes" => Shared::WorkPlan.of(@job)&.minutes || 60,
          "hours_to_limit" => Shared::ProductClock.of(@job, @now).hours_left,
          "product_value_cents" => @job.product_value_cents || @job.unit.product_value_cents,
          "offers" => Suppliers::PriceService.offers(motor)
        }.compact
      end
    end
  end
end
