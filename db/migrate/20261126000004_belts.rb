# frozen_string_literal: true

# Fans driven by a belt do not blow over their motor.
class Belts < ActiveRecord::Migration[7.2]
  def change
    add_column :units, :belt, :boolean, null: false, default: false
  end
end
