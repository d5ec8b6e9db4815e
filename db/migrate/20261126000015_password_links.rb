# frozen_string_literal: true

# A link by which somebody gives themselves a new password, once, within a day.
class PasswordLinks < ActiveRecord::Migration[7.2]
  def change
    create_table :password_links do |t|
      t.references :user, null: false, foreign_key: true
      t.references :made_by, null: false, foreign_key: {to_table: :users}
      t.text :digest, null: false, index: {unique: true}
      t.datetime :expires_at, null: false
      t.datetime :used_at
      t.timestamps
    end
  end
end
