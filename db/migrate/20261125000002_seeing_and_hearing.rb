# frozen_string_literal: true

# Answers that are not sure of one outcome: a frost map or a recording between two.
class SeeingAndHearing < ActiveRecord::Migration[7.2]
  def up
    add_column :findings, :weights, :jsonb
    add_index :readings, [:kind, :fan_position_id, :taken_at], name: "readings_by_kind"
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
