# frozen_string_literal: true

module Services
  # Takes a looked-through file into the catalogue: every row in one transaction, or none.
  class CatalogueTake
    MODELS = {"motors" => Motor, "blades" => Blade, "accessories" => Accessory}.freeze
    KEY = "translate(upper(regexp_replace(s.part_no, '[^A-Za-z0-9]', '', 'g')), 'OI', '01')"

    def initialize(import)
      @import = import
      @model = MODELS.fetch(import.kind)
    end

    def run
      @import.update!(state: "taking", beat_at: Time.now)
      ActiveRecord::Base.transaction do
        ActiveRecord::Base.connection.execute("SET LOCAL statement_timeout = '5min'")
        @import.lock!
        take
        note
        ActiveRecord::Base.connection.execute("DELETE FROM staged_parts WHERE catalogue_import_id = #{@import.id}")
        @import.update!(state: "taken", content: nil)
      end
      settle
    end

    private

    # So that the next search reads the index alone; not inside somebody else's transaction.
    def settle
      connection = ActiveRecord::Base.connection
      return connection.execute("ANALYZE #{@model.table_name}") if connection.transaction_open?
      connection.execute("SET statement_timeout = '5min'")
      connection.execute("VACUUM (ANALYZE) #{@model.table_name}")
    ensure
      connection.execute("SET statement_timeout = '15s'") unless connection.transaction_open?
    end

    def columns = @columns ||= @import.columns

    def take
      fresh = (columns - ["part_no"]).map { |name| "#{name} = EXCLUDED.#{name}" }
      ActiveRecord::Base.connection.execute(<<~SQL)
        INSERT INTO #{@model.table_name} (#{columns.join(", ")}, created_at, updated_at)
        SELECT #{columns.map { |name| "r.#{name}" }.join(", ")}, now(), now()
        FROM staged_parts s, jsonb_populate_record(NULL::#{@model.table_name}, s.values) r
        WHERE s.catalogue_import_id = #{@import.id}
        ON CONFLICT (part_no) DO UPDATE SET #{fresh.join(", ")}, updated_at = now()
      SQL
    end

    def note
      AuditEntry.create!(user: @import.user, action: "imported", record_type: @model.name, record_id: @import.id, created_at: Time.now,
        changes_made: {"file" => @import.file_name, "added" => @import.added, "changed" => @import.changed_rows})
    end
  end
end
