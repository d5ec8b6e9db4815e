# frozen_string_literal: true

module Fenbo
  module Matching
    # Motors from a CSV file with the columns of the contract; lists are separated
    # by ";", an empty cell is unknown.
    module Catalog
      LISTS = %w[volts hertz amps].freeze
      TEXTS = %w[
        part_no maker family rotation rotation_view shaft_form mount enclosure control connector kit_contents
        superseded_by
      ].freeze
      TEXT_LISTS = %w[cross_reference kit_work kit_leaves].freeze

      module_function

      # @return [Array<Array(Integer, Hash)>] each line with its row as the JSON of a motor
      # @raise [CSV::MalformedCSVError] also where the file is not UTF-8
      def rows(file)
        text = File.read(file, encoding: "bom|utf-8")
        raise CSV::MalformedCSVError.new("not UTF-8", 1) unless text.valid_encoding?
        (_, header), *rows = Rows.new(text).to_a
        names = (header || []).map { |cell| cell.to_s.strip }
        rows.map do |line, cells|
          [line, names.zip(cells).reject { |name, _| name.empty? }.to_h { |name, cell| [name, value(name, cell)] }]
        end
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
