# frozen_string_literal: true

# Parts that are not motors: contactors, relays, capacitors, switches, heaters, sensors,
# controls, connectors, gaskets, mounts, dampers, guards, with the columns they are told by.
class Spares < ActiveRecord::Migration[7.2]
  FIGURES = %i[coil_volts volts hertz amps uf watts length_mm width_mm bore_mm outer_mm closes_c opens_c
    wire_mm2].freeze
  COUNTS = %i[poles sections pins a_day].freeze
  WORDS = %i[action held form plug profile].freeze
  # As `keyed` of catalogue_and_fit.
  KEY = "translate(upper(regexp_replace(part_no, '[^A-Za-z0-9]', '', 'g')), 'OI', '01')"

  def up
    spares
    add_reference :part_choices, :spare, foreign_key: true
    add_column :part_choices, :wanted, :jsonb
    remove_check_constraint :catalogue_imports, name: "catalogue_imports_kind_known"
    add_check_constraint :catalogue_imports, "kind IN ('motors', 'blades', 'accessories', 'spares')",
      name: "catalogue_imports_kind_known"
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def spares
    create_table :spares do |t|
      t.text :part_no, null: false, index: {unique: true}
      t.text :maker, null: false
      t.text :kind, null: false, index: true
      t.text :description
      FIGURES.each { |name| t.float name }
      COUNTS.each { |name| t.integer name }
      WORDS.each { |name| t.text name }
      t.boolean :sealed, null: false, default: false
      t.boolean :flammable_ok, null: false, default: false
      t.text :cross_reference, array: true, null: false, default: []
      t.integer :price_cents
      t.timestamps
      t.check_constraint "price_cents IS NULL OR price_cents >= 0", name: "spares_price_not_negative"
    end
    execute "ALTER TABLE spares ADD COLUMN part_key text GENERATED ALWAYS AS (#{KEY}) STORED"
    execute "CREATE INDEX spares_by_key ON spares USING gin (part_key gin_trgm_ops)"
    execute "CREATE INDEX spares_by_maker ON spares USING gin (maker gin_trgm_ops)"
  end
end
