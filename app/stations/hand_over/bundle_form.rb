# frozen_string_literal: true

module Stations
  module HandOver
    # Which reports are wanted as one file.
    class BundleForm < Shared::Form
      attr_reader :from, :upto, :customer

      # False with faults at their fields.
      def read
        @from, @upto = day(:from), day(:upto)
        @customer = Customer.find_by(id: id(:customer)) if id(:customer)
        fault(:upto, "The last day lies before the first.") if from && upto && upto < from
        count if clean?
        clean?
      end

      private

      def day(name)
        Date.iso8601(typed(name))
      rescue Date::Error
        fault(name, "A day, please.")
      end

      def count
        found = ReportBundle.numbers(from, upto, customer).size
        fault(:from, "No job was closed between these days.") if found.zero?
        return unless found > ReportBundle::MOST_JOBS
        fault(:upto, "#{found} jobs, #{ReportBundle::MOST_JOBS} at most: take fewer days.")
      end
    end
  end
end
