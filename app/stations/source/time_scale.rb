# frozen_string_literal: true

module Stations
  module Source
    # Hours from now to places across: one scale for the product's curve and every way under it.
    # Where it runs over days the next hours get more room than the days after, by a power of
    # the time, so that twelve hours take the share they are given.
    class TimeScale
      NEAR_HOURS = 12.0
      NEAR_SHARE = 0.42
      # As long as this it is even.
      EVEN_HOURS = 18.0
      SHORTEST_HOURS, LONGEST_HOURS = 8.0, 24 * 14.0
      # Beyond what ends last.
      ROOM = 1.08

      attr_reader :now, :span

      # @param now [Time] local, without zone
      # @param hours [Array<Numeric>] that have to lie on it
      def initialize(now:, work_hours:, hours:)
        @now = now
        @work_hours = work_hours
        @span = (hours.max.to_f * ROOM).clamp(SHORTEST_HOURS, LONGEST_HOURS)
      end

      # @return [Float] 0..width, whatever lies beyond at its end
      def x(hours, width) = share(hours.clamp(0, span)) * width

      # @param share [Float] of the width
      def hour_at(share) = span * share**(1 / power)

      # Places go by this power of the time; the script that drags a slot does the same.
      def power
        (span <= EVEN_HOURS) ? 1.0 : (Math.log(NEAR_SHARE) / Math.log(NEAR_HOURS / span)).round(4)
      end

      # Hours from now to a local time as the core writes it.
      def hours(local)
        (Fenbo::Sourcing::Question.local(Fenbo::Input.new({"at" => local}), "at") - now) / 3600.0
      end

      # Stretches outside working hours, in hours from now.
      # @return [Array<Array(Float, Float)>]
      def nights
        @nights ||= (0...(span * 2).ceil).map { |half| half / 2.0 }
          .reject { |hour| @work_hours.open?(now + hour * 3600) }
          .slice_when { |one, other| other - one > 0.5 }.map { |run| [run.first, run.last + 0.5] }
      end

      # Midnights, with the day that begins there.
      # @return [Array<Array(Float, String)>]
      def days
        first = Time.utc(now.year, now.month, now.day)
        (1..(span / 24).ceil).map { |day| first + day * 86_400 }
          .map { |at| [(at - now) / 3600.0, at.strftime("%a")] }.select { |hour, _| hour < span }
      end

      private

      def share(hours) = (hours / span)**power
    end
  end
end
