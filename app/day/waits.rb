# frozen_string_literal: true

module Day
  # What open jobs are stuck for, asked of the database at once.
  class Waits
    SQL = File.read(File.join(__dir__, "waits.sql")).freeze
    # Of a job that was opened just now.
    NONE = {}.freeze
    private_constant :SQL, :NONE

    # @param now [Time]
    def initialize(now:)
      @now = now
      @rows = ActiveRecord::Base.connection.select_all(SQL, "what jobs wait for").to_a.index_by { |row| row["id"] }
    end

    # @param job [Job] an open one
    # @return [String, nil] in words; nil when somebody can simply go on
    def words(job)
      row = @rows.fetch(job.id, NONE)
      return "a technician's countersign" if row["countersign"]
      return "their yes to quote #{job.number}-#{row["quote"]}" if row["quote"]
      return "an answer from #{row["silent"]}" if row["silent"]
      at = part_at(job)
      return "part #{row["part_no"]}, #{Shared::Shop.local(at).strftime("%a %H:%M")}" if at
      "an order for #{row["part_no"]}" if row["chosen"] && row["unordered"]
    end

    # When the part comes that was ordered; nil where none is on its way.
    def part_at(job)
      at = @rows.fetch(job.id, NONE)["ready_at"]
      at if at && at > @now
    end

    # A stopgap that holds the product and is to be undone: its words; nil where none does.
    def temporary(job)
      kept = @rows.fetch(job.id, NONE)["stopgap"]
      kept && Fenbo::Product::Stopgaps.table[kept]&.fetch("label")
    end
  end
end
