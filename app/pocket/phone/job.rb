# frozen_string_literal: true

require "delegate"

# What routes ask of a job's row.
class Job < SimpleDelegator
  # Another job of the same visit, as its link shows it.
  Sister = Struct.new(:number, :unit)
  Unit = Struct.new(:name)

  def self.find_by!(number:) = new(JobSource.numbered(number))

  def self.beside(_uid, _first)
    Phone.pack.beside.map { |row| Sister.new(row["number"], Unit.new(row["unit"])) }
  end

  # Orders are the server's business: a part in hand is simply fitted.
  def coming_for(_choice) = nil

  # Whatever was written on this phone is written over what was packed.
  def handover_version = nil
end
