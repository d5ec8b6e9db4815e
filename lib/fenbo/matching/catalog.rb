# frozen_string_literal: true

require "csv"

module Fenbo
  module Matching
    # Motors from a CSV file with the columns of the contract; lists are separated
    # by ";", an empty cell is unknown.
    module Catalog
      LISTS = %w[volts hertz amps].freeze
      TEXTS = %w[part_no maker family rotation rotation_view shaft_form mount enclosure control connector kit_contents superseded_by].freeze
      TEXT_LISTS = %w[cross_reference kit_work kit_leaves].freeze

      module_function

      # @return [Array<Hash>] rows as the JSON of a motor
      def rows(file)
        CSV.read(file, headers: true).map { |row| row.to_h.except(nil).to_h { |key, cell| [key.strip, value(key.strip, cell)] } }
      end

      def value(key, cell)
        return nil if cell.nil? || cell.strip.empty?
        return cell.strip if TEXTS.include?(key)
        return cell.split(";").map(&:strip) if TEXT_LISTS.include?(key)
        LISTS.include?(key) ? cell.split(";").map { |one| number(one) } : number(cell)
      end

      # A number where it is one; anything else stays text and is refused by name.
      def number(text)
        Float(text.strip)
      rescue ArgumentError
        text
      end
    end
  end
end
