# frozen_string_literal: true

module Catalogue
  # Takes a looked-through file into the catalogue: every row in one transaction, or none.
  class Take
    KEY = "translate(upper(regexp_replace(s.part_no, '[^A-Za-z0-9]', '', 'g')), 'OI', '01')"

    TRIES, PAUSE = 5, 2

    def initialize(import)
      @import = import
      @model = CatalogueImport::MODELS.fetch(import.kind)
    end

    def run
      @import.update!(state: "taking", beat_at: Time.now)
      ActiveRecord::Base.transaction(requires_new: true) do
        connection.execute("SET LOCAL statement_timeout = '5min'")
        @import.lock!
        take
        note
        connection.execute("DELETE FROM staged_parts WHERE catalogue_import_id = #{@import.id}")
        @import.update!(state: "taken", content: nil)
      end
    end

    # So that the next search reads the index alone; not inside somebody else's transaction.
    # An older snapshot anywhere keeps rows from counting as seen by all: tried again then.
    def settle
      return connection.execute("ANALYZE #{@model.table_name}") if connection.transaction_open?
      connection.execute("SET statement_timeout = '5min'")
      TRIES.times do |index|
        sleep PAUSE if index.positive?
        connection.execute("VACUUM (ANALYZE) #{@model.table_name}")
        break if settled?
      end
    ensure
      connection.execute("SET statement_timeout = '15s'") unless connection.transaction_open?
    end

    private

    def settled?
      connection.select_value(
        "SELECT relallvisible >= relpages * 0.9 FROM pg_class WHERE oid = '#{@model.table_name}'::regclass"
      )
    end

    def connection = ActiveRecord::Base.connection

    def columns = @columns ||= @import.columns

    def take
      rest = columns - ["part_no"]
      fresh = rest.map { |name| "#{name} = EXCLUDED.#{name}" }
      connection.execute(<<~SQL)
        INSERT INTO #{@model.table_name} (#{columns.join(", ")}, created_at, updated_at)
        SELECT #{columns.map { |name| "r.#{name}" }.join(", ")}, now(), now()
        FROM staged_parts s, jsonb_populate_record(NULL::#{@model.table_name}, s.values) r
        WHERE s.catalogue_import_id = #{@import.id}
        ON CONFLICT (part_no) DO UPDATE SET #{fresh.join(", ")}, updated_at = now()
        WHERE (#{rest.map { |name| "#{@model.table_name}.#{name}" }.join(", ")})
          IS DISTINCT FROM (#{rest.map { |name| "EXCLUDED.#{name}" }.join(", ")})
      SQL
    end

    def note
      AuditEntry.create!(
        user: @import.user,
        action: "imported",
        record_type: @model.name,
        record_id: @import.id,
        created_at: Time.now,
        changes_made: {
          "file" => @import.file_name,
          "added" => @import.added,
          "changed" => @import.changed_rows
        }
      )
    end
  end
end
