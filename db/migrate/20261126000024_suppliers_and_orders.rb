# frozen_string_literal: true

# Suppliers known by their price lists; what was ordered of whom for which job and how far it
# has come; a technician's calendar as a feed; visits that two people cannot move at once.
class SuppliersAndOrders < ActiveRecord::Migration[7.2]
  def up
    suppliers
    orders
    create_table :calendar_links do |t|
      t.references :user, null: false, foreign_key: true
      t.references :made_by, null: false, foreign_key: {to_table: :users}
      t.text :digest, null: false, index: {unique: true}
      t.datetime :expires_at, null: false
      t.timestamps
    end
    add_column :visits, :lock_version, :integer, null: false, default: 0
    add_column :visits, :planned_minutes, :integer
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def suppliers
    create_table :suppliers do |t|
      t.uuid :uid, null: false, default: -> { "gen_random_uuid()" }, index: {unique: true}
      t.text :name, null: false
      t.text :kind, null: false
      t.jsonb :terms, null: false, default: {}
      t.timestamps
      t.index "lower(name)", unique: true, name: "suppliers_by_name"
      t.check_constraint "kind IN ('counter', 'order')", name: "suppliers_kind_known"
    end
    create_table :supplier_prices do |t|
      t.references :supplier, null: false, foreign_key: {on_delete: :cascade}
      t.text :part_no, null: false, index: true
      t.bigint :price_cents, null: false
      t.boolean :in_stock, null: false, default: true
      t.integer :lead_days
      t.text :their_no
      t.index %i[supplier_id part_no], unique: true
      t.check_constraint "price_cents >= 0 AND price_cents <= 1000000000", name: "supplier_prices_sane"
    end
  end

  def orders
    create_table :part_orders do |t|
      t.uuid :uid, null: false, default: -> { "gen_random_uuid()" }, index: {unique: true}
      t.references :job, null: false, foreign_key: true
      t.references :part_choice, null: false, foreign_key: true
      t.references :user, null: false, foreign_key: true
      t.text :supplier, null: false
      t.text :supplier_name, null: false
      t.text :kind, null: false
      t.text :part_no, null: false
      t.text :their_no
      t.integer :count, null: false, default: 1
      t.integer :price_cents, null: false
      t.jsonb :besides, null: false, default: []
      t.text :state, null: false, default: "to_send"
      t.datetime :ready_at, null: false
      t.datetime :promised_at, null: false
      t.datetime :placed_at
      t.timestamps
      t.check_constraint "state IN ('to_send', 'placed', 'by_hand', 'sold', 'to_cancel', 'cancelled', 'here')",
        name: "part_orders_state_known"
    end
  end
end
