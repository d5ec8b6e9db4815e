# frozen_string_literal: true

# The refrigerant ledger: circuits of a unit, the shop's cylinders, what was added and recovered,
# leaks sought and whether what was done against them holds. Weights in kg.
class RefrigerantLedger < ActiveRecord::Migration[7.2]
  def up
    add_column :users, :licensed, :boolean, null: false, default: false
    add_column :users, :licence, :text
    circuits
    moves
    leaks
    %i[refrigerant_moves leak_searches leak_checks].each do |table|
      execute "CREATE TRIGGER keep_record BEFORE UPDATE OR DELETE ON #{table} FOR EACH ROW EXECUTE FUNCTION " \
                "keep_record()"
    end
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def circuits
    create_table :circuits do |t|
      t.uuid :uid, null: false, default: -> { "gen_random_uuid()" }, index: {unique: true}
      t.references :unit, null: false, foreign_key: true
      t.text :name, null: false
      t.text :refrigerant
      t.float :full_charge_kg, null: false
      t.timestamps
      t.check_constraint "full_charge_kg > 0", name: "circuits_hold_something"
      t.index %i[unit_id name], unique: true
    end
    create_table :cylinders do |t|
      t.text :label, null: false, index: {unique: true}
      t.text :refrigerant
      t.timestamps
    end
  end

  def moves
    create_table :refrigerant_moves do |t|
      entry(t)
      t.references :circuit, null: false, foreign_key: true
      t.references :cylinder, null: false, foreign_key: true
      t.text :kind, null: false
      t.float :before_kg, null: false
      t.float :after_kg, null: false
      t.integer :fans_running
      t.float :ambient_c
      t.text :sight_glass
      t.text :note
      t.check_constraint "before_kg >= 0 AND after_kg >= 0", name: "refrigerant_moves_weigh_something"
      t.check_constraint "(kind = 'added' AND after_kg <= before_kg) OR (kind = 'recovered' AND after_kg >= before_kg)",
        name: "refrigerant_moves_kind_known"
    end
  end

  def leaks
    create_table :leak_searches do |t|
      entry(t)
      t.references :circuit, null: false, foreign_key: true
      t.text :how, null: false
      t.text :place, null: false
      t.boolean :found, null: false
      t.text :done
    end
    create_table :leak_checks do |t|
      entry(t)
      t.references :leak_search, null: false, foreign_key: true
      t.text :how, null: false
      t.boolean :tight, null: false
      t.text :note
    end
  end

  # As findings and readings are kept.
  def entry(t)
    t.references :job, null: false, foreign_key: true
    t.references :visit, foreign_key: true
    t.references :fan_position, foreign_key: true
    t.references :user, null: false, foreign_key: true
    t.uuid :client_id, null: false, index: {unique: true}
    t.date :on, null: false
    t.datetime :taken_at, null: false
    t.datetime :voided_at
    t.references :voided_by, foreign_key: {to_table: :users}
    t.text :void_reason
    t.datetime :created_at, null: false
  end
end
