# frozen_string_literal: true

require "csv"

module Fenbo
  module Matching
    # Rows of a CSV text, each with the line of the file it begins on: blank lines are passed
    # over but counted, cells may run over several lines. Cells are parted by what parts the first
    # line: a spreadsheet where money is written with a comma saves with semicolons.
    #
    #   Rows.new("a,b\n\n1,2\n").each { |line, cells| … }   # 1, ["a", "b"]; 3, ["1", "2"]
    class Rows
      include Enumerable

      SEPARATORS = [",", ";", "\t"].freeze
      private_constant :SEPARATORS

      # The names in the first line.
      # @return [Array<String>]
      # @raise [CSV::MalformedCSVError]
      def self.header(text)
        line = text.each_line.first.to_s
        (CSV.parse_line(line, col_sep: separator(line)) || []).map { |cell| cell.to_s.strip }
      end

      def self.separator(line)
        SEPARATORS.max_by { |one| [line.count(one), -SEPARATORS.index(one)] }
      end

      def initialize(text)
        @text = text
      end

      # @yieldparam line [Integer] from 1
      # @yieldparam cells [Array<String, nil>]
      # @raise [CSV::MalformedCSVError] where it is not CSV; `line_number` counts rows
      def each
        csv = CSV.new(@text, col_sep: Rows.separator(@text.each_line.first.to_s))
        line = 1
        csv.each do |cells|
          yield line, cells unless cells.all? { |cell| cell.nil? || cell.strip.empty? }
          line += [csv.line.count("\n"), 1].max
        end
      end
    end
  end
end
