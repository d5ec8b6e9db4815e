# frozen_string_literal: true

module Fenbo
  module Sourcing
    # One offer with one stopgap (or none), when it finishes and what it costs.
    class Option
      # Its line, which is paid once however much is done on that trip.
      SECOND_TRIP = "second trip"

      # Options that make sense for an offer: as soon as it can be (or why it cannot), and, where
      # that means overtime, in working hours.
      def self.all_of(offer, stopgap, question, limits)
        soon = new(offer, stopgap, question, limits, overtime: question.overtime_allowed)
        return [soon] unless question.overtime_allowed
        both = [soon, new(offer, stopgap, question, limits, overtime: false)].select(&:possible?).uniq(&:finish)
        both = both.select(&:let_in?) if both.any?(&:let_in?)
        both.empty? ? [soon] : both
      end

      attr_reader :offer, :stopgap, :overtime

      def initialize(offer, stopgap, question, limits, overtime:)
        @offer = offer
        @stopgap = stopgap
        @question = question
        @limits = limits
        @overtime = overtime
      end

      def possible? = !ready.at.nil? && !start.nil?

      def why_not = ready.why || "there are no working hours for it"

      # Work is done in one piece, at an hour when somebody works and the site lets them in.
      # Whoever has the part at once is inside already.
      def start
        return @start if defined?(@start)
        @start = (wanted.nil? || inside?) ? wanted : let_in
      end

      def finish = @finish ||= start + work_seconds

      def second_trip?
        ready.second_trip || start.to_date != @question.now.to_date
      end

      # Whether the site is open while it is worked; where it never is for so long, it is not.
      def let_in? = inside? || @question.site_hours.open?(start, finish)

      # Whether the site lets nobody in any sooner.
      def waits_for_site? = start != wanted

      def hours = @hours ||= @question.hours_between(@question.now, finish)

      # nil when the product never passes its limit.
      def hours_to_limit
        stopgap ? stopgap.hours_to_limit : @question.hours_to_limit
      end

      def margin_hours = hours_to_limit && hours_to_limit - hours

      def product_loss_cents
        return 0 if hours_to_limit.nil? || hours <= hours_to_limit * (1 - @limits["sourcing.safe_share"])
        share = (hours <= hours_to_limit) ? @limits["sourcing.late_quarter_loss"] : 1
        (@question.product_value_cents * share).round
      end

      # What it costs, and what of that is paid with another part of the job.
      def lines
        @lines ||= alone + [[PaidOnce::ALREADY, -already_cents]].select { |_, cents| cents.nonzero? }
          .map { |what, cents| {what:, cents:} }
      end

      # Past the product's limit nothing is saved by being cheap: what each further hour costs.
      def lateness_cents
        return 0 if margin_hours.nil? || margin_hours >= 0
        (-margin_hours * @limits["sourcing.late_hour_loss"] * @question.product_value_cents).round
      end

      def total_cents
        @total_cents ||= lines.sum { |line| line[:cents] } + product_loss_cents
      end

      def overtime? = overtime_cents.positive?

      def to_h(frontier)
        {
          offer: offer.id,
          stopgap: stopgap&.id,
          finish_at: local(finish),
          total_cents:,
          lines:,
          product_loss_cents:,
          margin_hours: margin_hours&.round(2),
          frontier:,
          second_trip: second_trip?,
          overtime: overtime?,
          ready_at: local(ready.at),
          start_at: local(start)
        }
      end

      private

      # Its lines if nothing else were taken for the job.
      def alone
        @alone ||=
          [
            ["parts", offer.price_cents],
            ["besides", @question.besides_cents],
            ["freight", offer.freight_cents],
            ["travel", @question.labour_cents(offer.travel_minutes)],
            ["stopgap", stopgap ? @question.labour_cents(stopgap.minutes) : 0],
            ["labour", @question.labour_cents(@question.work_minutes)],
            ["overtime", overtime_cents],
            [SECOND_TRIP, second_trip? ? @question.trip_cents : 0]
          ].reject { |_, cents| cents.zero? }.map { |what, cents| {what:, cents:} }
      end

      def already_cents
        return 0 if @question.along.empty?
        own = PaidOnce::Way.new(offer: offer.id, stopgap: stopgap&.id, ready_at: local(ready.at),
          lines: alone.map { |line| line.transform_keys(&:to_s) })
        alone.sum { |line| line[:cents] } + PaidOnce.new(@question.along).sum -
          PaidOnce.new([*@question.along, own]).sum
      end

      def local(time) = time.strftime("%Y-%m-%dT%H:%M")

      def ready
        @ready ||= Ready.of(offer, @question, @question.now + (stopgap ? stopgap.minutes * 60 : 0))
      end

      # When it would be done but for the site.
      def wanted
        return @wanted if defined?(@wanted)
        from = [ready.at, offer.not_before].compact.max if ready.at
        @wanted = from && working(from)
      end

      def let_in
        @question.site_hours.next_open(wanted, work_seconds) { |at| working(at) }
      end

      def inside?
        return true if @question.site_hours.nil?
        ready.at_hand && wanted == ready.at
      end

      def working(from) = overtime ? from : fitted(from)

      # Where it would run past closing time and overtime is not wanted, it starts the next
      # working morning.
      def fitted(from)
        week = @question.work_hours
        opening = week.next_open(from) or return nil
        return opening if opening + work_seconds <= week.closes(opening)
        return opening if opening == week.at(opening, week.from)
        week.next_open(week.closes(opening))
      end

      def work_seconds = @question.work_minutes * 60

      def overtime_cents
        minutes = @question.work_hours.minutes_outside(start, finish)
        (@question.labour_cents(minutes) * (@question.overtime_factor - 1)).round
      end
    end
  end
end
