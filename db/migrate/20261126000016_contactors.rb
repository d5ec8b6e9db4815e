# frozen_string_literal: true

# Whether one contactor switches all fans of a unit or each has its own; null is not known.
class Contactors < ActiveRecord::Migration[7.2]
  def change
    add_column :units, :contactors, :text
    add_check_constraint :units, "contactors IN ('shared', 'own')", name: "units_contactors_known"
  end
end
