# frozen_string_literal: true

# What routes ask of a job's row.
module Job
  # Another job of the same visit, as its link shows it.
  Sister = Struct.new(:number, :unit)
  Unit = Struct.new(:name)

  module_function

  def find_by!(number:) = JobSource.numbered(number)

  def beside(_uid, _first)
    Phone.pack.beside.map { |row| Sister.new(row["number"], Unit.new(row["unit"])) }
  end
end
