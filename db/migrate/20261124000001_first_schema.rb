# frozen_string_literal: true

# People, places, machines, jobs and everything recorded about them. What must
# never be wrong is held by the database itself: checks, foreign keys, unique
# client ids, and triggers that keep readings append-only.
class FirstSchema < ActiveRecord::Migration[7.2]
  FAMILIES = %w[
    household_top_freezer household_bottom_freezer household_side_by_side household_machine_bay reach_in
    display_case walk_in_cooler remote_condenser fan_bank_condenser rack_condenser
  ].freeze
  MOTORS = %w[shaded_pole psc ec split_phase three_phase].freeze
  STATIONS = %w[call look measure decide match source fit prove hand_over].freeze

  def up
    people
    places
    machines
    catalogue
    jobs
    records
    outcomes
    append_only(:findings, :readings, :decisions, :photos)
    never_changed(:audit_entries)
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def people
    create_table :users do |t|
      t.text :name, null: false
      t.text :login, null: false, index: {unique: true}
      t.text :password_digest, null: false
      t.text :role, null: false
      t.text :unit_system, null: false, default: "si"
      t.text :appearance, null: false, default: "day"
      t.jsonb :meter, null: false, default: {}
      t.boolean :active, null: false, default: true
      t.integer :session_version, null: false, default: 1
      t.timestamps
      one_of t, :role, %w[technician office apprentice]
      one_of t, :unit_system, %w[si us]
      one_of t, :appearance, %w[day glare dark]
    end
    create_table :api_tokens do |t|
      t.references :user, null: false, foreign_key: true
      t.text :label, null: false
      t.text :digest, null: false, index: {unique: true}
      t.datetime :last_used_at
      t.datetime :revoked_at
      t.timestamps
    end
    create_table :settings do |t|
      t.text :name, null: false, index: {unique: true}
      t.jsonb :value, null: false
      t.timestamps
    end
    create_table :throttles, id: false do |t|
      t.text :key, null: false, primary_key: true
      t.integer :count, null: false
      t.datetime :expires_at, null: false, index: true
    end
    create_table :audit_entries do |t|
      t.references :user, foreign_key: true
      t.text :action, null: false
      t.text :record_type, null: false
      t.bigint :record_id, null: false
      t.jsonb :changes_made, null: false, default: {}
      t.datetime :created_at, null: false
      t.index %i[record_type record_id]
    end
  end

  def places
    create_table :customers do |t|
      t.text :name, null: false
      t.text :contact
      t.text :phone
      t.boolean :overtime_allowed, null: false, default: false
      t.integer :approval_limit_cents
      t.text :rules
      t.integer :lock_version, null: false, default: 0
      t.timestamps
      t.check_constraint "approval_limit_cents IS NULL OR approval_limit_cents >= 0",
        name: "approval_limit_not_negative"
      t.check_constraint "length(trim(name)) > 0", name: "customer_has_name"
    end
    create_table :sites do |t|
      t.references :customer, null: false, foreign_key: true
      t.text :name, null: false
      t.text :address
      t.text :access_notes
      t.text :hours
      t.integer :lock_version, null: false, default: 0
      t.timestamps
    end
  end

  def machines
    create_table :units do |t|
      t.references :site, null: false, foreign_key: true
      t.text :name, null: false
      t.text :family, null: false
      t.text :model
      t.text :serial
      t.integer :installed_year
      t.text :refrigerant
      t.boolean :flammable, null: false, default: false
      t.float :setpoint_c
      t.text :product
      t.float :product_limit_c
      t.integer :product_value_cents
      t.float :drift_end_c
      t.float :supply_volts, null: false, default: 230
      t.integer :supply_phases, null: false, default: 1
      t.float :supply_hertz, null: false, default: 50
      t.float :ambient_low_c
      t.float :ambient_high_c
      t.boolean :wet, null: false, default: false
      t.jsonb :features, null: false, default: {}
      t.text :quirks
      t.integer :lock_version, null: false, default: 0
      t.timestamps
      one_of t, :family, FAMILIES
      t.check_constraint "supply_volts > 0", name: "supply_volts_above_zero"
      t.check_constraint "supply_phases IN (1, 3)", name: "supply_phases_known"
      t.check_constraint "supply_hertz > 0", name: "supply_hertz_above_zero"
      t.check_constraint "product_value_cents IS NULL OR product_value_cents >= 0", name: "product_value_not_negative"
    end
    create_table :fan_positions do |t|
      t.references :unit, null: false, foreign_key: true
      t.text :side, null: false
      t.integer :number, null: false
      t.timestamps
      one_of t, :side, %w[evaporator condenser]
      t.index %i[unit_id side number], unique: true
      t.check_constraint "number BETWEEN 1 AND 12", name: "fan_number_in_bank"
    end
    create_table :fitted_motors do |t|
      t.references :fan_position, null: false, foreign_key: true
      t.text :part_no
      t.text :family, null: false
      nameplate(t)
      t.float :locked_rotor_amps
      t.float :service_factor_amps
      t.float :blade_diameter_mm
      t.float :blade_bore_mm
      t.text :blade_rotation
      t.text :serial
      t.text :source
      t.date :installed_on
      t.date :removed_on
      t.date :warranty_until
      t.timestamps
      one_of t, :family, MOTORS
      t.check_constraint "removed_on IS NULL OR installed_on IS NULL OR removed_on >= installed_on",
        name: "removed_after_installed"
    end
    execute "CREATE UNIQUE INDEX one_motor_in_place ON fitted_motors (fan_position_id) WHERE removed_on IS NULL"
  end

  def nameplate(t)
    t.float :volts, array: true, null: false, default: []
    t.float :hertz, array: true, null: false, default: []
    t.integer :phases
    t.float :amps, array: true, null: false, default: []
    t.float :watts
    t.float :horsepower
    t.float :service_factor
    t.float :rpm
    t.integer :poles
    t.text :rotation
    t.float :shaft_diameter_mm
    t.float :shaft_length_mm
    t.text :shaft_form
    t.text :mount
    t.float :bolt_circle_mm
    t.text :enclosure
    t.text :control
    t.text :connector
    t.float :capacitor_uf
    t.boolean :integral_blade, null: false, default: false
    t.check_constraint "0 < ALL (amps)", name: "#{t.name}_amps_above_zero"
    t.check_constraint "0 < ALL (volts)", name: "#{t.name}_volts_above_zero"
    t.check_constraint "rotation IS NULL OR rotation IN ('cw', 'ccw', 'reversible')", name: "#{t.name}_rotation_known"
  end

  def catalogue
    create_table :motors do |t|
      t.text :part_no, null: false, index: {unique: true}
      t.text :maker, null: false
      t.text :family, null: false, index: true
      nameplate(t)
      t.float :body_diameter_mm
      t.float :body_length_mm
      t.float :ambient_low_c
      t.float :ambient_high_c
      t.boolean :flammable_ok, null: false, default: false
      t.text :cross_reference, array: true, null: false, default: []
      t.integer :price_cents
      t.text :kit_contents
      t.timestamps
      one_of t, :family, MOTORS
    end
    create_table :blades do |t|
      t.text :part_no, null: false, index: {unique: true}
      t.text :maker, null: false
      t.float :diameter_mm, null: false
      t.integer :blade_count, null: false
      t.float :pitch_deg
      t.text :hub, null: false
      t.float :bore_mm
      t.text :rotation, null: false
      t.text :air, null: false
      t.float :depth_mm
      t.text :material
      t.integer :price_cents
      t.timestamps
      one_of t, :rotation, %w[cw ccw]
      one_of t, :air, %w[towards_motor away_from_motor]
    end
  end

  def jobs
    execute "CREATE SEQUENCE job_numbers START 101"
    create_table :jobs do |t|
      t.integer :number, null: false, index: {unique: true}, default: -> { "nextval('job_numbers')" }
      t.references :unit, null: false, foreign_key: true
      t.references :fan_position, foreign_key: true
      t.references :technician, foreign_key: {to_table: :users}
      t.text :complaint, null: false
      t.text :status, null: false, default: "open"
      t.text :station, null: false, default: "call"
      t.text :access_notes
      t.boolean :recent_work, null: false, default: false
      t.float :box_c
      t.datetime :box_read_at
      t.float :earlier_c
      t.float :earlier_hours_ago
      t.float :drift_end_c
      t.float :product_limit_c
      t.integer :product_value_cents
      t.text :state, null: false, default: "L"
      t.datetime :state_at
      t.references :state_by, foreign_key: {to_table: :users}
      t.text :client_id, index: {unique: true}
      t.datetime :opened_at, null: false
      t.datetime :closed_at
      t.references :closed_by, foreign_key: {to_table: :users}
      t.references :countersigned_by, foreign_key: {to_table: :users}
      t.integer :lock_version, null: false, default: 0
      t.timestamps
      one_of t, :status, %w[open awaiting_countersign closed]
      one_of t, :station, STATIONS
      one_of t, :state, %w[L P D C]
      t.check_constraint "length(trim(complaint)) > 0", name: "job_has_complaint"
    end
    create_table :visits do |t|
      t.references :job, null: false, foreign_key: true
      t.references :technician, null: false, foreign_key: {to_table: :users}
      t.datetime :starts_at, null: false
      t.datetime :ends_at
      t.text :purpose
      t.float :arrival_c
      t.float :leaving_c
      t.timestamps
      t.check_constraint "ends_at IS NULL OR ends_at >= starts_at", name: "visit_ends_after_start"
    end
    create_table :station_steps do |t|
      t.references :job, null: false, foreign_key: true
      t.text :station, null: false
      t.text :state, null: false, default: "open"
      t.datetime :done_at
      t.references :done_by, foreign_key: {to_table: :users}
      t.timestamps
      t.index %i[job_id station], unique: true
      one_of t, :station, STATIONS
      one_of t, :state, %w[open done skipped]
    end
  end

  # Who, when, on which fan, and whether it was taken back.
  def record(t)
    t.references :job, null: false, foreign_key: true
    t.references :visit, foreign_key: true
    t.references :fan_position, foreign_key: true
    t.references :user, null: false, foreign_key: true
    t.uuid :client_id, null: false, index: {unique: true}
    t.datetime :taken_at, null: false
    t.datetime :voided_at
    t.references :voided_by, foreign_key: {to_table: :users}
    t.text :void_reason
    t.datetime :created_at, null: false
  end

  def records
    create_table :readings do |t|
      record(t)
      t.text :kind, null: false
      t.text :phase, null: false, default: "before"
      t.jsonb :typed, null: false, default: {}
      t.jsonb :question, null: false
      t.jsonb :result, null: false
      t.text :verdict
      t.jsonb :meter
      one_of t, :phase, %w[before after]
      t.index %i[fan_position_id kind taken_at]
    end
    create_table :findings do |t|
      record(t)
      t.text :test, null: false
      t.text :outcome, null: false
      t.text :note
      t.references :reading, foreign_key: true
      t.text :override_reason
      t.index %i[job_id taken_at]
    end
    create_table :photos do |t|
      record(t)
      t.text :station, null: false
      t.text :caption
      t.jsonb :image_data, null: false
    end
    create_table :decisions do |t|
      record(t)
      t.text :causes, array: true, null: false
      t.float :probability
      t.text :proposed, null: false
      t.text :override_reason
      t.text :action, null: false
      t.jsonb :standing, null: false
      t.references :countersigned_by, foreign_key: {to_table: :users}
      t.datetime :countersigned_at
      one_of t, :action, %w[replace repair clean wait other]
      t.check_constraint "cardinality(causes) > 0", name: "decision_names_a_cause"
    end
  end

  def outcomes
    create_table :part_choices do |t|
      t.references :job, null: false, foreign_key: true
      t.references :motor, foreign_key: true
      t.references :blade, foreign_key: true
      t.references :user, null: false, foreign_key: true
      t.text :grade
      t.jsonb :checks, null: false, default: []
      t.jsonb :offer
      t.datetime :ready_at
      t.datetime :superseded_at
      t.timestamps
    end
    create_table :work_steps do |t|
      t.references :job, null: false, foreign_key: true
      t.text :step, null: false
      t.references :user, null: false, foreign_key: true
      t.integer :fasteners
      t.float :measured
      t.text :note
      t.datetime :done_at, null: false
      t.timestamps
      t.index %i[job_id step], unique: true
      t.check_constraint "fasteners IS NULL OR fasteners BETWEEN 0 AND 500", name: "fasteners_counted"
    end
    create_table :proof_checks do |t|
      t.references :job, null: false, foreign_key: true
      t.text :check_id, null: false
      t.references :user, null: false, foreign_key: true
      t.datetime :done_at, null: false
      t.timestamps
      t.index %i[job_id check_id], unique: true
    end
    create_table :handovers do |t|
      t.references :job, null: false, foreign_key: true, index: {unique: true}
      t.references :user, null: false, foreign_key: true
      t.text :summary
      t.text :seen_besides
      t.datetime :next_visit_at
      t.text :next_visit_for
      t.text :signed_name
      t.jsonb :signature
      t.datetime :signed_at
      t.timestamps
    end
  end

  def one_of(t, column, values)
    list = values.map { |value| "'#{value}'" }.join(", ")
    t.check_constraint "#{column} IN (#{list})", name: "#{t.name}_#{column}_known"
  end

  # A row may be voided or countersigned once; its content never changes and it
  # never goes.
  def append_only(*tables)
    execute <<~SQL
      CREATE FUNCTION keep_record() RETURNS trigger AS $$
      DECLARE
        free text[] := ARRAY['voided_at', 'voided_by_id', 'void_reason', 'countersigned_by_id', 'countersigned_at'];
      BEGIN
        IF TG_OP = 'DELETE' THEN
          RAISE EXCEPTION '% is append-only: void the row instead', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
        END IF;
        IF (to_jsonb(OLD) - free) <> (to_jsonb(NEW) - free) OR OLD.voided_at IS NOT NULL THEN
          RAISE EXCEPTION '% is append-only: void the row and add a new one', TG_TABLE_NAME
            USING ERRCODE = 'restrict_violation';
        END IF;
        RETURN NEW;
      END $$ LANGUAGE plpgsql;
    SQL
    tables.each do |table|
      execute "CREATE TRIGGER keep_record BEFORE UPDATE OR DELETE ON #{table} FOR EACH ROW EXECUTE FUNCTION " \
                "keep_record()"
    end
  end

  def never_changed(table)
    execute <<~SQL
      CREATE FUNCTION keep_forever() RETURNS trigger AS $$
      BEGIN
        RAISE EXCEPTION '% is never changed', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
      END $$ LANGUAGE plpgsql;
      CREATE TRIGGER keep_forever BEFORE UPDATE OR DELETE ON #{table} FOR EACH ROW EXECUTE FUNCTION keep_forever();
    SQL
  end
end
