# frozen_string_literal: true

# Why a handover is not signed, and links by which a customer sees its sheet.
class SheetLinks < ActiveRecord::Migration[7.2]
  def change
    add_column :handovers, :unsigned_because, :text
    create_table :sheet_links do |t|
      t.references :job, null: false, foreign_key: true
      t.references :made_by, null: false, foreign_key: {to_table: :users}
      t.text :digest, null: false, index: {unique: true}
      t.datetime :expires_at, null: false
      t.datetime :seen_at
      t.timestamps
    end
  end
end
