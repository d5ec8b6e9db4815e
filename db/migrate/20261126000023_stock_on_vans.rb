# frozen_string_literal: true

# What lies on each technician's van, and every piece that was put on or taken off it.
class StockOnVans < ActiveRecord::Migration[7.2]
  def up
    create_table :van_stocks do |t|
      t.references :user, null: false, foreign_key: true
      t.text :part_no, null: false
      t.integer :count, null: false, default: 0
      t.integer :least, null: false, default: 0
      t.timestamps
      t.index %i[user_id part_no], unique: true
      t.check_constraint "count >= 0 AND least >= 0", name: "van_stocks_not_negative"
    end
    create_table :van_moves do |t|
      t.references :user, null: false, foreign_key: true
      t.references :by, null: false, foreign_key: {to_table: :users}
      t.references :job, foreign_key: true
      t.uuid :client_id, null: false, index: {unique: true}
      t.text :part_no, null: false
      t.text :kind, null: false
      t.integer :change, null: false
      t.integer :count_after, null: false
      t.datetime :created_at, null: false
      t.check_constraint "kind IN ('taken', 'put_back', 'restocked', 'counted', 'handed_over', 'received')",
        name: "van_moves_kind_known"
    end
    execute "CREATE TRIGGER keep_forever BEFORE UPDATE OR DELETE ON van_moves FOR EACH ROW " \
              "EXECUTE FUNCTION keep_forever()"
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
