# frozen_string_literal: true

# Plates have versions, so that nobody writes over what somebody else wrote meanwhile; wrong
# passwords are counted, so that the person hears of them.
class PlateVersions < ActiveRecord::Migration[7.2]
  def change
    add_column :fitted_motors, :lock_version, :integer, null: false, default: 0
    add_column :users, :wrong_tries, :integer, null: false, default: 0
    add_column :users, :wrong_tried_at, :datetime
  end
end
