# frozen_string_literal: true

module Fenbo
  module Product
    # How long the product of a job can wait, seen from `now`.
    class JobClock
      # So many readings of a box are looked at.
      MOST_POINTS = 200

      # What the product must stay below, °C: as noted with the job, else with the unit.
      def self.limit_of(job) = job.product_limit_c || job.unit.product_limit_c

      # @param job [JobFile::Job] or anything with its readings of the box
      # @param now [Time]
      def initialize(job, now:, limits: Limits.default)
        @job = job
        @now = now
        @limits = limits
      end

      attr_reader :now

      # A job that is proved or handed over has no clock any more, nor a box that cools again.
      def stopped?
        @job.status != "open" || @job.done?("prove") || cooling_again?
      end

      # Since the work was done the box stands clearly under what it was on arrival: nothing
      # drifts to the limit, until it is read warmer.
      def cooling_again?
        return false unless @job.status == "open" && @job.box_c && @job.done?("fit")
        arrived = arrival_c
        !arrived.nil? && arrived - @job.box_c >= @limits["pulldown.least_fall"]
      end

      # What the box was when the last visit began, °C; nil where nobody noted it.
      def arrival_c
        @job.visits.select { |one| one.starts_at <= @now }.max_by(&:starts_at)&.arrival_c
      end

      # Whether what was read lies so far under the setpoint that it may be another compartment's,
      # whose product has another limit.
      def another_box?
        set = @job.unit.setpoint_c
        !set.nil? && known? && set - @job.box_c > @limits["product.another_box"]
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
        (known? && result.tau_hours) ? drift(hours_since + hours) : start_c
      end

      # K in the coming hour.
      def rise_per_hour = known? ? temperature_in(1) - now_c : nil

      # Hours from now to the limit if, instead of what holds it, it warmed so many times slower,
      # towards an end that is nearer by this share; nil where it would wait.
      # @return [Float, nil]
      def hours_with(slower:, nearer:)
        question = {"now_c" => now_c, "end_c" => end_with(nearer), "limit_c" => limit_c,
                    "tau_hours" => own_tau_hours * slower}
        Fenbo.call(:product, question, limits: @limits).hours_to_limit
      end

      # °C, `hours` from now, likewise; a box that is emptied holds what was in it.
      def temperature_with(hours, slower:, nearer:)
        to = end_with(nearer)
        to - (to - now_c) * Math.exp(-hours / (own_tau_hours * slower))
      end

      # The soonest and the latest it may pass the limit, hours from now; the latest nil where
      # it may never.
      # @return [Array(Float, Float), Array(Float, nil), nil]
      def hours_between
        return nil unless running?
        result.hours_between.map { |hours| hours && [hours - hours_since, 0.0].max }
      end

      def limit_c = JobClock.limit_of(@job)

      # K by which the box last stood over the limit of its product, proved or not; nil where it
      # did not, or too little was noted.
      def over_by
        return unless @job.box_c && limit_c && @job.box_c > limit_c
        @job.box_c - limit_c
      end

      def reasons = known? ? result.reasons : []

      # Where it drifts to, °C: with what holds it, and without.
      def end_c = stopgap ? turn.end_c : own_end_c

      def own_end_c = @job.drift_end_c || @job.unit.drift_end_c

      # Its time constant without what holds it.
      def own_tau_hours
        result.tau_hours / Stopgaps.effect(stopgap, @limits)[:slower]
      end

      # Where it would drift to, °C, nearer by this share.
      def end_with(nearer) = own_end_c - (own_end_c - now_c) * nearer

      # What holds the product, by its id in stopgaps.yml; nil where nothing does.
      def stopgap = turn&.stopgap

      # Whether the product is out of its box: what the box reads says nothing of it.
      def elsewhere? = Stopgaps.table.dig(stopgap, "waits") || false

      # What is still to be noted before it starts, in words; nothing where it runs, or cannot.
      # @return [Array<String>]
      def wants
        [("what the box reads" unless @job.box_c), ("what its product must stay below" unless limit_c),
          ("where it would end up" unless end_c)].compact
      end

      # What the core was asked, and what it said; nil where too little is known.
      def question
        return nil unless @job.box_c && @job.box_read_at && limit_c && end_c
        {"now_c" => start_c, "end_c" => end_c, "limit_c" => limit_c, "family" => @job.unit.family,
         **pace}.compact
      end

      def result
        @result ||= Fenbo.call(:product, question, limits: @limits)
      end

      # Hours since the box was read, or since something turned its drift after that.
      def hours_since = [(@now - start_at) / 3600.0, 0].max

      private

      def turn = @job.drift_from

      # Whether nothing was read of the product since something turned its drift.
      def turned? = !turn.nil? && (elsewhere? || turn.at >= @job.box_read_at)

      def start_at = turned? ? turn.at : @job.box_read_at

      def start_c = turned? ? turn.c : @job.box_c

      # By all that was read since something changed its drift, else by two readings.
      def pace
        points = turned? ? [] : points_since
        return {"readings" => points.map { |point| ago(*point) }} if points.any?
        return {"tau_hours" => turn.tau_hours} if turn
        return {} unless @job.earlier_c && @job.earlier_hours_ago&.positive?
        {"earlier" => {"c" => @job.earlier_c, "hours_ago" => @job.earlier_hours_ago}}
      end

      def points_since
        @job.box_points.select { |at, _| at < @job.box_read_at && (turn.nil? || at >= turn.at) }
      end

      def ago(time, celsius)
        {"c" => celsius, "hours_ago" => (@job.box_read_at - time) / 3600.0}
      end

      def drift(hours)
        end_c - (end_c - start_c) * Math.exp(-hours / result.tau_hours)
      end
    end
  end
end
