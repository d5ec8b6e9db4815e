# frozen_string_literal: true

require "csv"

module Stations
  module Source
    # The lines of what was agreed, else of the first option, as CSV; money in whole cents.
    module QuoteLines
      HEADER = %w[quote option place what kind cents tax_percent agreed agreed_by].freeze

      module_function

      # @param quote [Fenbo::JobFile::Quote]
      def of(job, quote)
        answer = quote.answer if quote.answer&.approved?
        option = quote.option(answer&.option) || quote.options.first
        common = ["#{job.number}-#{quote.version}", option["id"]]
        tail = [quote.tax_percent, answer&.at&.iso8601, answer&.name]
        CSV.generate(headers: HEADER, write_headers: true) do |csv|
          option["lines"].each { |line| csv << cells(common, line.values_at("place", "what", "kind", "cents"), tail) }
          {"discount" => -option["discount_cents"], "rounding" => option["rounding_cents"]}.each do |what, cents|
            csv << cells(common, [nil, what, what, cents], tail) unless cents.zero?
          end
        end
      end

      def cells(*parts)
        parts.flatten(1).map { |cell| Fenbo::SafeCell.out(cell) }
      end
      private_class_method :cells
    end
  end
end
