# frozen_string_literal: true

# Two people at one hand over: the second is told, and writes over nothing.
class HandoverVersions < ActiveRecord::Migration[7.2]
  def change
    add_column :handovers, :lock_version, :integer, null: false, default: 0
  end
end
