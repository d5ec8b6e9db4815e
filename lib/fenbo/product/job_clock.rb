# frozen_string_literal: true

module Fenbo
  module Product
    # How long the product of a job can wait, seen from `now`.
    class JobClock
      # @param job [JobFile::Job] or anything with its readings of the box
      # @param now [Time]
      def initialize(job, now:, limits: Limits.default)
        @job = job
        @now = now
        @limits = limits
      end

      # A job that is proved or handed over has no clock any more.
      def stopped?
        @job.status != "open" || @job.done?("prove")
      end

      def known?
        return @known if defined?(@known)
        @known = !stopped? && !question.nil? && !result.refused?
      end

      def verdict = known? ? result.verdict : nil

      # Hours left from now; nil when it waits or is not known.
      def hours_left
        return nil unless known? && result.verdict != "waits"
        [result.hours_to_limit - hours_since, 0.0].max
      end

      def past?
        known? && (result.verdict == "past" || (result.verdict == "hours" && hours_left.zero?))
      end

      def running? = known? && result.verdict == "hours" && !past?

      def passes_at = hours_left && @now + hours_left * 3600

      # Where the box should be now, °C, drifting since it was read.
      def now_c = temperature_in(0)

      # °C, `hours` from now.
      def temperature_in(hours)
        (known? && result.tau_hours) ? drift(hours_since + hours) : @job.box_c
      end

      # K in the coming hour.
      def rise_per_hour = known? ? temperature_in(1) - now_c : nil

      # Hours from now to the limit if it warmed so many times slower, towards an end that is
      # nearer by this share; nil where it would wait.
      # @return [Float, nil]
      def hours_with(slower:, nearer:)
        question = {"now_c" => now_c, "end_c" => end_c - (end_c - now_c) * nearer, "limit_c" => limit_c,
                    "tau_hours" => result.tau_hours * slower}
        Fenbo.call(:product, question, limits: @limits).hours_to_limit
      end

      def limit_c = @job.product_limit_c || @job.unit.product_limit_c

      def reasons = known? ? result.reasons : []

      private

      def hours_since = [(@now - @job.box_read_at) / 3600.0, 0].max

      def end_c = @job.drift_end_c || @job.unit.drift_end_c

      def drift(hours)
        end_c - (end_c - @job.box_c) * Math.exp(-hours / result.tau_hours)
      end

      def question
        return nil unless @job.box_c && @job.box_read_at && limit_c && end_c
        earlier = {"c" => @job.earlier_c, "hours_ago" => @job.earlier_hours_ago} if @job.earlier_c &&
          @job.earlier_hours_ago
        {
          "now_c" => @job.box_c,
          "end_c" => end_c,
          "limit_c" => limit_c,
          "earlier" => earlier,
          "family" => @job.unit.family
        }.compact
      end

      def result
        @result ||= Fenbo.call(:product, question, limits: @limits)
      end
    end
  end
end
