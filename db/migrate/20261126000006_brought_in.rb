# frozen_string_literal: true

# What a job file brings of its fans beyond its own readings: where the hub can sit, and
# what the motor drew while it was well, measured on jobs that stayed where they were.
class BroughtIn < ActiveRecord::Migration[7.2]
  def change
    add_column :fan_positions, :brought_place, :jsonb
    add_column :fan_positions, :brought_amps, :float
    add_column :fan_positions, :brought_at, :datetime
  end
end
