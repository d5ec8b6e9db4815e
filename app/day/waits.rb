# frozen_string_literal: true

module Day
  # What open jobs are stuck for and how far they are, asked of the database at once.
  class Waits
    SQL = File.read(File.join(__dir__, "waits.sql")).freeze
    private_constant :SQL

    # Prepared: to plan it takes the database longer than to answer it.
    # @param jobs [Array<Job>]
    # @param now [Time]
    def initialize(jobs, now:)
      @now = now
      ids = "{#{jobs.map(&:id).join(",")}}"
      @rows = ActiveRecord::Base.connection.select_all(SQL, "what jobs wait for", [ids], preparable: true)
        .to_a.index_by { |row| row["id"] }
    end

    # @return [Array<String>] stations
    def done(job) = @rows.fetch(job.id)["done"].to_s.split

    # @param job [Job] one of them
    # @return [String, nil] in words; nil when somebody can simply go on
    def words(job)
      row = @rows.fetch(job.id)
      return "a technician's countersign" if row["countersign"]
      return "their yes to quote #{job.number}-#{row["quote"]}" if row["quote"]
      return "an answer from #{row["silent"]}" if row["silent"]
      at = part_at(job)
      return "part #{row["part_no"]}, #{Shared::Shop.local(at).strftime("%a %H:%M")}" if at
      "an order for #{row["part_no"]}" if row["chosen"] && row["unordered"]
    end

    # When the part comes that was ordered; nil where none is on its way.
    def part_at(job)
      at = @rows.fetch(job.id)["ready_at"]
      at if at && at > @now
    end

    # A stopgap that holds the product and is to be undone, or that was taken with a part and is not
    # set up yet; nil where there is none.
    def temporary(job)
      held = job.drift_from&.stopgap
      row = Fenbo::Product::Stopgaps.table[held || @rows.fetch(job.id)["stopgap"]] or return
      "#{held ? "meanwhile" : "still to do:"} #{row["label"].downcase_first}"
    end
  end
end
