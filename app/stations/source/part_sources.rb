# frozen_string_literal: true

module Stations
  module Source
    # Where the chosen part can come from, and when the job would be done.
    class PartSources
      # @param fault [Fenbo::JobFile::Fault] what the part is for
      # @param plan [Fenbo::WorkPlan::Progress]
      # @param clock [Fenbo::Product::JobClock]
      def initialize(job, fault, plan:, clock:, now: Time.now)
        @job = job
        @fault = fault
        @plan = plan
        @clock = clock
        @now = now
      end

      def thing = @fault.part_choice&.thing

      # What keeps the product meanwhile.
      def stopgaps
        @stopgaps ||= Fenbo::Product::Stopgaps.new(@job, @fault.fan, clock: @clock, limits: Shared::Shop.limits).all
      end

      def stopgap(id) = stopgaps.find { |one| one.id == id }

      # What is bought with it whoever sells it.
      def besides = @besides ||= Besides.new(@fault.part_choice)

      def result
        @result ||= Fenbo.call(:source, question, limits: Shared::Shop.limits)
      end

      def options = (thing.nil? || result.refused?) ? [] : result.options

      # The option still on offer: the very one, else the same source at another hour.
      def option(offer, finish_at, stopgap = nil)
        same = options.select { |option| option.offer == offer && option.stopgap == stopgap.presence }
        same.find { |option| option.finish_at == finish_at } || same.first
      end

      # Of each offer the best with and the best without a stopgap: the rest is worse on every count.
      def shown
        options.group_by { |option| [option.offer, option.overtime, option.stopgap.nil?] }.map { |_, list| list.first }
          .sort_by { |option| options.index(option) }
      end

      # What is kept of the option taken.
      def entry(option)
        ready_at = Shared::Shop.from_local(option.finish_at) - minutes * 60
        kept = option.as_json.merge("source" => Suppliers::Desk.name_of(option.offer))
        Entries::Offer.new(fault: @fault.key, option: kept, ready_at:, second_trip: option.second_trip)
      end

      def minutes
        @plan.minutes
      end

      def question
        {
          "now" => Shared::Shop.local(@now).strftime("%Y-%m-%dT%H:%M"),
          "rate_per_hour_cents" => Setting.read("rate_per_hour_cents"),
          "overtime_factor" => Setting.read("overtime_factor"),
          "overtime_allowed" => @job.unit.site.customer.overtime_allowed,
          "work_hours" => Setting.read("work_hours"),
          "trip_cents" => Setting.read("trip_cents"),
          "work_minutes" => minutes,
          "besides_cents" => besides.cents,
          "hours_to_limit" => @clock.hours_left,
          "product_value_cents" => @job.product_value_cents || @job.unit.product_value_cents,
          "stopgaps" => stopgaps.map { |one|
            {"id" => one.id, "minutes" => one.minutes, "hours_to_limit" => one.hours_to_limit}.compact
          },
          "offers" => thing ? Suppliers::Desk.offers(thing) : []
        }.compact
      end
    end
  end
end
