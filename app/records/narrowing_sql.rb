# frozen_string_literal: true

# A narrowing of the core as a condition on the catalogue's columns; the database reckons
# with what is not known as the core does.
class NarrowingSql
  Narrowing = Fenbo::Matching::Narrowing
  SLACK = Fenbo::Tolerance::SLACK
  # A plate names one voltage, two, seldom more; longer lists are left to the core.
  MOST_LISTED = 4

  # @return [Arel::Nodes::Node]
  def self.of(term) = new(Motor.arel_table).of(term)

  def initialize(table)
    @table = table
  end

  def of(term)
    case term
    when Narrowing::Known then known(term.column)
    when Narrowing::OneOf then @table[term.column].in(term.values)
    when Narrowing::Beyond then beyond(term)
    when Narrowing::NoneWithin then none_within(term)
    when Narrowing::All then term.terms.map { |one| of(one) }.reduce(:and)
    when Narrowing::Any then Arel::Nodes::Grouping.new(term.terms.map { |one| of(one) }.reduce(:or))
    when Narrowing::Not then Arel::Nodes::Not.new(of(term.term))
    end
  end

  private

  # An empty list tells as little as nothing.
  def known(column)
    Motor.columns_hash[column].array? ? Arel.sql("motors.#{column} <> '{}'") : @table[column].not_eq(nil)
  end

  def beyond(term)
    column = @table[term.column]
    ends = [term.low && column.lt(term.low - SLACK), term.high && column.gt(term.high + SLACK)]
    Arel::Nodes::Grouping.new(ends.compact.reduce(:or))
  end

  def none_within(term)
    column = "motors.#{Motor.connection.quote_column_name(term.column)}"
    within = (1..MOST_LISTED).map { |one| "COALESCE(#{column}[#{one}] BETWEEN :low AND :high, false)" }
    Arel.sql(
      Motor.sanitize_sql(
        [
          "(cardinality(#{column}) BETWEEN 1 AND #{MOST_LISTED} AND NOT (#{within.join(" OR ")}))",
          {low: term.low - SLACK, high: term.high + SLACK}
        ]
      )
    )
  end
end
