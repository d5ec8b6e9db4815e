# frozen_string_literal: true

require "csv"

module Catalogue
  # Looks a catalogue file through without changing anything: every row read and laid
  # aside, every fault with its line and column, and what taking it would change.
  class LookThrough
    # Rows laid aside at a time; after each the page can see how far it is.
    CHUNK = 2_000
    MOST_FAULTS = 300
    MOST_SHOWN = 60
    def initialize(import)
      @import = import
      @sheet = Fenbo::Matching::Sheet.of(import.kind, limits: Shared::Shop.limits)
      @model = CatalogueImport::MODELS.fetch(import.kind)
      @faults = []
      @faulty = {}
      @seen = {}
    end

    def run
      @import.update!(state: "checking", line: 0, beat_at: Time.now, faults: [], differences: [], message: nil)
      clear
      each_chunk { |chunk| lay_aside(chunk) }
      ActiveRecord::Base.transaction { conclude }
    rescue CSV::MalformedCSVError => problem
      @import.update!(
        state: "checked",
        faulty: 1,
        faults: [
          {
            "line" => problem.line_number,
            "column" => "",
            "message" => "is not CSV: #{problem.message.sub(/ in line.*/, "").downcase}"
          }
        ]
      )
    end

    private

    def conclude
      connection.execute("SET LOCAL statement_timeout = '2min'")
      # Without figures of what was laid aside the database joins it row by row.
      connection.execute("ANALYZE staged_parts")
      spelled_otherwise
      counted = counts
      @import.update!(
        state: "checked",
        line: @import.lines,
        beat_at: Time.now,
        faulty: @faulty.size,
        faults: @faults.sort_by { |one| one["line"] }.first(MOST_FAULTS),
        **counted,
        differences: counted[:changed_rows].zero? ? [] : differences
      )
    end

    def connection = ActiveRecord::Base.connection

    def clear
      connection.execute("DELETE FROM staged_parts WHERE catalogue_import_id = #{@import.id}")
    end

    def each_chunk
      header, chunk = nil, []
      Fenbo::Matching::Rows
        .new(@import.content)
        .each do |line, cells|
          next header = cells.map { |cell| cell.to_s.strip } unless header
          chunk << read(header, cells, line)
          next unless chunk.size >= CHUNK
          yield chunk.compact
          chunk = []
          @import.update_columns(line:, beat_at: Time.now)
        end
      yield chunk.compact
    end

    # [line, part_no, values as JSON], or nil where something is wrong with it.
    def read(header, cells, line)
      return fault(line, "", "has #{cells.size} cells, the header #{header.size}") if cells.size > header.size
      values, faults = @sheet.read(header.zip(cells).to_h)
      faults.each { |column, message| fault(line, column, message) }
      twice(values["part_no"], line)
      return nil if @faulty[line]
      [line, values["part_no"], JSON.generate(stored(values))]
    end

    # As the database keeps it: unknown flags are no.
    def stored(values)
      @stored ||= @import.columns
      @flags ||= @stored.select { |name| @sheet.columns[name]["type"] == "flag" }
      values.slice(*@stored).merge(@flags.to_h { |name| [name, values[name] || false] })
    end

    def twice(part_no, line)
      key = Keyed.key(part_no)
      return if key.empty?
      earlier = @seen[key]
      return @seen[key] = line unless earlier
      fault(line, "part_no", "#{part_no} reads the same as the part on line #{earlier}")
    end

    def fault(line, column, message)
      @faulty[line] = true
      @faults << {"line" => line, "column" => column, "message" => message} if @faults.size < MOST_FAULTS * 4
      nil
    end

    def lay_aside(chunk)
      return if chunk.empty?
      raw = connection.raw_connection
      raw.copy_data("COPY staged_parts (catalogue_import_id, line, part_no, values) FROM STDIN (FORMAT csv)") do
        raw.put_copy_data(
          chunk.map { |line, part_no, json| "#{@import.id},#{line},#{quoted(part_no)},#{quoted(json)}\n" }.join
        )
      end
    end

    # A cell as COPY reads it; two hundred thousand of them are too many for a CSV writer each.
    def quoted(text) = %("#{text.gsub('"', '""')}")

    # The same number written another way would stand in the catalogue twice.
    def spelled_otherwise
      # Joined as a whole: hoping for the first few it would be looked up row by row.
      rows = connection.select_rows(<<~SQL)
        WITH alike AS MATERIALIZED (
          SELECT s.line, s.part_no, p.part_no AS known
          FROM staged_parts s
          JOIN #{@model.table_name} p ON p.part_key = #{Take::KEY} AND p.part_no <> s.part_no
          WHERE s.catalogue_import_id = #{@import.id}
        )
        SELECT line, part_no, known FROM alike ORDER BY line LIMIT #{MOST_FAULTS}
      SQL
      rows.each do |line, part_no, known|
        fault(line, "part_no", "#{part_no} reads the same as #{known} in the catalogue: write it alike")
      end
    end

    def staged
      "FROM staged_parts s LEFT JOIN #{@model.table_name} p ON p.part_no = s.part_no WHERE " \
        "s.catalogue_import_id = #{@import.id}"
    end

    # What the catalogue holds of a part in the file's columns.
    def held
      "jsonb_build_object(#{@import.columns.map { |name| "'#{name}', p.#{name}" }.join(", ")})"
    end

    def counts
      all, added, changed =
        connection.select_rows(
          "SELECT count(*), count(*) FILTER (WHERE p.id IS NULL), count(*) FILTER (WHERE p.id IS NOT NULL " \
            "AND #{held} <> s.values) #{staged}"
        ).first
      {added:, changed_rows: changed, same: all - added - changed}
    end

    # The first changed parts, column by column.
    def differences
      connection
        .select_rows(
          "SELECT s.line, s.part_no, #{held}, s.values #{staged} AND p.id IS NOT NULL AND #{held} <> " \
            "s.values ORDER BY s.line LIMIT #{MOST_SHOWN}"
        )
        .map do |line, part_no, before, after|
          before, after = [before, after].map { |one| JSON.parse(one) }
          {
            "line" => line,
            "part_no" => part_no,
            "changes" =>
              after.filter_map { |column, value| [column, before[column], value] unless before[column] == value }
          }
        end
    end
  end
end
