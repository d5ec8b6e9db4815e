# frozen_string_literal: true

# What the caller complains of in kinds, jobs that belong together (two units of one
# visit, a return to an earlier verdict), and the lines a meter sends by itself.
class BenchAndLearning < ActiveRecord::Migration[7.2]
  def up
    add_column :jobs, :complaint_kinds, :text, array: true, null: false, default: []
    add_reference :jobs, :beside, foreign_key: {to_table: :jobs}
    add_reference :jobs, :return_of, foreign_key: {to_table: :jobs}
    add_check_constraint :jobs, "return_of_id IS NULL OR return_of_id <> id", name: "job_returns_to_another"
    create_table :meter_lines do |t|
      t.references :user, null: false, foreign_key: true
      t.datetime :taken_at, null: false
      t.text :quantity, null: false
      t.text :leg
      t.float :value, null: false
      t.text :source, null: false
      t.datetime :created_at, null: false
      t.index [:user_id, :created_at]
      t.check_constraint "quantity IN ('amps', 'volts', 'watts')", name: "meter_lines_quantity_known"
      t.check_constraint "leg IS NULL OR leg IN ('a', 'b', 'c')", name: "meter_lines_leg_known"
      t.check_constraint "value >= 0", name: "meter_lines_not_negative"
    end
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
