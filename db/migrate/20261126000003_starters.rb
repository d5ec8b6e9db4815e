# frozen_string_literal: true

# What a unit's starter carries: its overload's dial and its contactor. Amps; null where
# nobody noted them.
class Starters < ActiveRecord::Migration[7.2]
  def change
    add_column :units, :overload_low_a, :float
    add_column :units, :overload_high_a, :float
    add_column :units, :contactor_a, :float
    add_check_constraint :units,
      "overload_low_a > 0 AND overload_high_a >= overload_low_a",
      name: "overload_dial_in_order"
    add_check_constraint :units, "contactor_a > 0", name: "contactor_above_zero"
  end
end
