# frozen_string_literal: true

require "csv"

module Fenbo
  module Matching
    # Rows of a CSV text, each with the line of the file it begins on: blank lines are passed
    # over but counted, cells may run over several lines.
    #
    #   Rows.new("a,b\n\n1,2\n").each { |line, cells| … }   # 1, ["a", "b"]; 3, ["1", "2"]
    class Rows
      include Enumerable

      def initialize(text)
        @text = text
      end

      # @yieldparam line [Integer] from 1
      # @yieldparam cells [Array<String, nil>]
      # @raise [CSV::MalformedCSVError] where it is not CSV; `line_number` counts rows
      def each
        csv = CSV.new(@text)
        line = 1
        csv.each do |cells|
          yield line, cells unless cells.all? { |cell| cell.nil? || cell.strip.empty? }
          line += [csv.line.count("\n"), 1].max
        end
      end
    end
  end
end
