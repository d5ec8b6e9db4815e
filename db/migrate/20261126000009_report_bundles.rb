# frozen_string_literal: true

# The reports of many closed jobs as one file: asked for, worked on beside the requests,
# fetched, and dropped some days later.
class ReportBundles < ActiveRecord::Migration[7.2]
  def change
    create_table :report_bundles do |t|
      t.references :user, null: false, foreign_key: true
      t.references :customer, foreign_key: true
      t.date :from, null: false
      t.date :upto, null: false
      t.text :state, null: false, default: "waiting"
      t.integer :jobs, null: false, default: 0
      t.integer :done, null: false, default: 0
      t.text :message
      t.text :file
      t.uuid :client_id, null: false, index: {unique: true}
      t.timestamps
      t.check_constraint "state IN ('waiting', 'working', 'ready', 'broken')", name: "bundle_state_known"
    end
  end
end
