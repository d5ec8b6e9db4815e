# frozen_string_literal: true

# A job may hold several work plans: one a fan and task. A photo may belong to one of their
# steps; a part brings its extra work and what is bought and moved with it.
class WorkByFanAndTask < ActiveRecord::Migration[7.2]
  # Steps that got another name.
  RENAMED = {"drain_heater" => "drain_heater_warm", "capacitor_bled" => "capacitor_made_safe",
             "splice" => "sealed"}.freeze

  def up
    add_reference :work_steps, :fan_position, foreign_key: true
    add_column :work_steps, :task, :text
    add_column :work_steps, :skipped, :boolean, null: false, default: false
    add_column :photos, :step, :text
    add_column :part_choices, :beside, :jsonb
    remove_index :work_steps, %i[job_id step]
    name_plans
    add_index :work_steps, %i[job_id fan_position_id task step], unique: true, name: "work_steps_once"
    add_check_constraint :work_steps, "NOT skipped OR note IS NOT NULL", name: "work_steps_skipped_with_reason"
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  # Until now a job had one plan: the motor's, of the fan complained of.
  def name_plans
    execute <<~SQL
      UPDATE work_steps w SET fan_position_id = f.id, task = f.side || '_fan_motor'
      FROM jobs j JOIN LATERAL (
        SELECT p.id, p.side FROM fan_positions p WHERE p.unit_id = j.unit_id
        ORDER BY p.id <> coalesce(j.fan_position_id, 0), p.side DESC, p.number LIMIT 1
      ) f ON true
      WHERE j.id = w.job_id
    SQL
    RENAMED.each { |old, new| execute "UPDATE work_steps SET step = '#{new}' WHERE step = '#{old}'" }
  end
end
