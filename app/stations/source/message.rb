# frozen_string_literal: true

module Stations
  module Source
    # What the customer is told once a way is taken: what it was, when somebody comes, what keeps
    # their goods meanwhile, what they can do. Text to copy; Fenbo sends nothing.
    class Message
      # @param words what says figures and times
      def initialize(job, fault, words:)
        @job = job
        @fault = fault
        @words = words
      end

      def text
        [greeting, found, coming, meanwhile, access, goodbye].compact.join("\n")
      end

      private

      def offer = @fault.part_choice.offer

      def greeting
        "Good day #{@job.unit.site.customer.contact || @job.unit.site.customer.name},"
      end

      def found
        cause = @fault.decision&.label
        what = cause ? "we found #{cause.downcase} (#{@fault.place.downcase})" : "we know what is wrong"
        "about #{@job.unit.name}: #{what}."
      end

      def coming
        return "The part is at hand; we fit it today, from #{@words.clock(fitted_at)}." if today?(fitted_at)
        part = @fault.part_choice.here? ? "is here" : "comes from #{offer["source"]}"
        "The part #{part}; we fit it on #{@words.day_clock(fitted_at)}."
      end

      # As the visit is planned, which somebody may have moved; not before the part is there.
      def fitted_at
        planned = @job.visits.select { |visit| visit.ends_at.nil? && visit.starts_at > Time.now }.map(&:starts_at).min
        [@fault.part_choice.ready_at, planned].compact.max
      end

      def today?(time)
        Shared::Shop.local(time).to_date == Shared::Shop.local(Time.now).to_date
      end

      def meanwhile
        kept = Fenbo::Product::Stopgaps.table[offer["stopgap"]]
        return "Until then: #{kept["label"].downcase_first}. Please leave it so; we undo it when we come." if kept
        limit = @job.product_limit_c || @job.unit.product_limit_c
        "Please keep the doors shut and ring us if it reads over #{@words.show(limit, "temperature")}." if limit
      end

      def access
        hours = @job.unit.site.hours
        "We come within your hours, #{hours}; tell us if that has changed." if hours
      end

      def goodbye = Setting.read("shop_name")
    end
  end
end
