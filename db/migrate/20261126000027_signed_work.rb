# frozen_string_literal: true

# What each signature stands under, with its digest; none of them ever changes. A job opened
# again says why.
class SignedWork < ActiveRecord::Migration[7.2]
  def up
    change_table :handovers, bulk: true do |t|
      t.string :signed_digest, limit: 64
      t.jsonb :signed_work
    end
    add_column :jobs, :reopen_reason, :text
    create_table :signatures do |t|
      t.references :job, null: false, foreign_key: true
      t.references :user, null: false, foreign_key: true
      t.string :name, null: false
      t.jsonb :strokes, null: false
      t.string :digest, null: false, limit: 64
      t.jsonb :work, null: false
      t.datetime :signed_at, null: false
    end
    execute "CREATE TRIGGER keep_forever BEFORE UPDATE OR DELETE ON signatures FOR EACH ROW EXECUTE FUNCTION " \
              "keep_forever()"
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
