# frozen_string_literal: true

# A decision, a part and a step each say which fault of the job they are about: its place, a fan
# or the unit, and a number there. Until now a fan had one.
class Faults < ActiveRecord::Migration[7.2]
  TABLES = %i[decisions part_choices work_steps].freeze
  # So far the only names a fault has.
  KEY = "'^(unit|(evaporator|condenser)-[0-9]{1,2})[.][0-9]{1,2}$'"

  def up
    TABLES.each do |table|
      add_column table, :fault, :text
      add_check_constraint table, "fault ~ #{KEY}", name: "#{table}_fault_known"
    end
    execute "ALTER TABLE decisions DISABLE TRIGGER keep_record"
    TABLES.each { |table| name_faults(table) }
    execute "ALTER TABLE decisions ENABLE TRIGGER keep_record"
    remove_index :work_steps, name: "work_steps_once"
    add_index :work_steps, %i[job_id fan_position_id fault task step], unique: true, nulls_not_distinct: true,
      name: "work_steps_once"
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def name_faults(table)
    execute <<~SQL
      UPDATE #{table} t SET fault = f.side || '-' || f.number || '.1'
      FROM fan_positions f WHERE f.id = t.fan_position_id
    SQL
  end
end
