# frozen_string_literal: true

# The readings of a box that its product's clock goes by, since something last changed its
# drift. Each is kept for ever as a reading too.
class BoxLog < ActiveRecord::Migration[7.2]
  def up
    add_column :jobs, :box_log, :jsonb, null: false, default: []
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
