# frozen_string_literal: true

module Fenbo
  module Matching
    # What a check refuses whatever else a candidate brings, said of its columns alone, so
    # that a database can leave it out. Every term is true, false or, where a column is not
    # known, nil, and is put together as SQL does it: what is nil is not refused.
    module Narrowing
      # Put together with & and |, turned round with !.
      module Term
        def &(other) = All.new(terms: [self, other])

        def |(other) = Any.new(terms: [self, other])

        def ! = Not.new(term: self)
      end

      # @!method of(row)
      #   @param row [Hash] a motor's columns by their names
      #   @return [true, false, nil]
      Known =
        Value.of(:column) do
          include Term

          def of(row) = ![nil, []].include?(row[column])
        end

      OneOf =
        Value.of(:column, :values) do
          include Term

          def of(row) = row[column].nil? ? nil : values.include?(row[column])
        end

      # Below low or above high; nil where there is no such end.
      Beyond =
        Value.of(:column, low: nil, high: nil) do
          include Term

          def of(row)
            value = row[column]
            return nil if value.nil?
            (low && Tolerance.below?(value, low)) || (high && Tolerance.above?(value, high)) || false
          end
        end

      # A column with a list, none of which lies within; false where the list is empty.
      NoneWithin =
        Value.of(:column, :low, :high) do
          include Term

          def of(row)
            list = row[column] || []
            list.any? && list.none? { |value| Tolerance.between?(value, low, high) }
          end
        end

      # Several terms as one: a single one that `decides` settles it, else what is not known
      # leaves it open.
      Joined =
        Struct.new(:terms, keyword_init: true) do
          include Term

          def of(row)
            values = terms.map { |term| term.of(row) }
            return decides if values.include?(decides)
            values.include?(nil) ? nil : !decides
          end
        end

      class All < Joined
        def decides = false
      end

      class Any < Joined
        def decides = true
      end

      Not =
        Value.of(:term) do
          include Term

          def of(row) = term.of(row).then { |value| value.nil? ? nil : !value }
        end
    end
  end
end
