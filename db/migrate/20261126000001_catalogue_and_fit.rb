# frozen_string_literal: true

# A catalogue of a hundred thousand parts: what is searched by has a column and an
# index of its own. Part numbers are found by their key: no case, no dashes, O as 0
# and I as 1. What the shaft gives (output_w) narrows a search before the core judges.
class CatalogueAndFit < ActiveRecord::Migration[7.2]
  KEY = "translate(upper(regexp_replace(part_no, '[^A-Za-z0-9]', '', 'g')), 'OI', '01')"
  # The trade's usual efficiency and power factor, as in limits.yml; the net is wide, a
  # shop's own figures change what the core says, not what is looked at.
  OUTPUT = <<~SQL
    COALESCE(horsepower * 745.7,
      watts * CASE family WHEN 'shaded_pole' THEN 0.20 WHEN 'psc' THEN 0.55 WHEN 'ec' THEN 0.70
        WHEN 'split_phase' THEN 0.60 ELSE 0.78 END,
      amps[1] * volts[1] * CASE family WHEN 'shaded_pole' THEN 0.12 WHEN 'psc' THEN 0.495 WHEN 'ec' THEN 0.42
        WHEN 'split_phase' THEN 0.36 ELSE 1.08 END)
  SQL
  ACCESSORIES = %w[bushing bracket adapter capacitor splice spacer].freeze

  def up
    enable_extension "pg_trgm"
    motors
    blades
    accessories
    plates
    choices
    imports
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def keyed(table)
    execute "ALTER TABLE #{table} ADD COLUMN part_key text GENERATED ALWAYS AS (#{KEY}) STORED"
    execute "CREATE INDEX #{table}_by_key ON #{table} USING gin (part_key gin_trgm_ops)"
    execute "CREATE INDEX #{table}_by_maker ON #{table} USING gin (maker gin_trgm_ops)"
  end

  def motors
    add_column :motors, :discontinued, :boolean, null: false, default: false
    add_column :motors, :superseded_by, :text
    add_column :motors, :kit_work, :text, array: true, null: false, default: []
    add_column :motors, :kit_leaves, :text, array: true, null: false, default: []
    add_column :motors, :kit_minutes, :integer
    execute "ALTER TABLE motors ADD COLUMN output_w double precision GENERATED ALWAYS AS (#{OUTPUT}) STORED"
    keyed(:motors)
    add_index :motors, %i[phases output_w]
    add_index :motors, :cross_reference, using: :gin
    add_index :motors, :superseded_by, where: "superseded_by IS NOT NULL"
    add_check_constraint :motors, "watts IS NULL OR watts > 0", name: "motors_watts_above_zero"
    add_check_constraint :motors, "shaft_diameter_mm IS NULL OR shaft_diameter_mm > 0", name: "motors_shaft_above_zero"
    add_check_constraint :motors, "price_cents IS NULL OR price_cents >= 0", name: "motors_price_not_negative"
    add_check_constraint :motors,
      "superseded_by IS NULL OR superseded_by <> part_no",
      name: "motors_not_superseded_by_itself"
    add_check_constraint :motors,
      "ambient_low_c IS NULL OR ambient_high_c IS NULL OR ambient_low_c < ambient_high_c",
      name: "motors_ambient_in_order"
  end

  # The hub's length, and how far the blade reaches from the hub's motor side.
  def blades
    %i[hub_mm towards_motor_mm towards_front_mm].each { |name| add_column :blades, name, :float }
    keyed(:blades)
    add_index :blades, %i[diameter_mm bore_mm]
    add_check_constraint :blades, "diameter_mm > 0", name: "blades_diameter_above_zero"
  end

  # What is bought beside a motor: from is the shaft's side, to the hub's or the unit's.
  def accessories
    create_table :accessories do |t|
      t.text :part_no, null: false, index: {unique: true}
      t.text :maker, null: false
      t.text :kind, null: false, index: true
      t.text :description
      t.float :from_mm
      t.float :to_mm
      t.text :mount_from
      t.text :mount_to
      t.float :bolt_circle_mm
      t.float :thickness_mm
      t.float :capacitor_uf
      t.integer :price_cents
      t.timestamps
      t.check_constraint "kind IN (#{ACCESSORIES.map { |kind| "'#{kind}'" }.join(", ")})",
        name: "accessories_kind_known"
      t.check_constraint "from_mm IS NULL OR to_mm IS NULL OR from_mm < to_mm", name: "accessories_bushing_grows"
    end
    keyed(:accessories)
  end

  def plates
    add_column :fitted_motors, :plate_line, :text
    %i[body_diameter_mm body_length_mm blade_pitch_deg].each { |name| add_column :fitted_motors, name, :float }
    add_column :fitted_motors, :blade_count, :integer
    add_column :fitted_motors, :blade_hub, :text
    add_column :fitted_motors, :blade_air, :text
  end

  # The seat chosen on the drawing, and the measurements it rests on.
  def choices
    add_column :part_choices, :seat_mm, :float
    add_column :part_choices, :spacers, :integer
    add_reference :part_choices, :fit_reading, foreign_key: {to_table: :readings}
    add_check_constraint :part_choices,
      "spacers IS NULL OR spacers BETWEEN 0 AND 100",
      name: "part_choices_spacers_counted"
  end

  # A file on its way into the catalogue: kept whole until it is taken or dropped.
  def imports
    create_table :catalogue_imports do |t|
      t.references :user, null: false, foreign_key: true
      t.text :kind, null: false
      t.text :file_name, null: false
      t.text :content
      t.text :state, null: false, default: "waiting"
      t.integer :lines, null: false, default: 0
      t.integer :line, null: false, default: 0
      t.integer :added, null: false, default: 0
      t.integer :changed_rows, null: false, default: 0
      t.integer :same, null: false, default: 0
      t.integer :faulty, null: false, default: 0
      t.jsonb :faults, null: false, default: []
      t.jsonb :differences, null: false, default: []
      t.text :message
      t.datetime :beat_at
      t.timestamps
      t.check_constraint "kind IN ('motors', 'blades', 'accessories')", name: "catalogue_imports_kind_known"
      t.check_constraint "state IN ('waiting', 'checking', 'checked', 'taking', 'taken', 'broken')",
        name: "catalogue_imports_state_known"
    end
    create_table :staged_parts, id: false do |t|
      t.references :catalogue_import, null: false, foreign_key: {on_delete: :cascade}
      t.integer :line, null: false
      t.text :part_no, null: false
      t.jsonb :values, null: false
    end
  end
end
