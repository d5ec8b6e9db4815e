# frozen_string_literal: true

# What a phone brought for somebody who could not sign in: kept as it was sent, until the person
# or the office takes it in.
class LeftPresses < ActiveRecord::Migration[7.2]
  def change
    create_table :left_presses do |t|
      t.references :user, null: false, foreign_key: true
      t.uuid :client_id, null: false
      t.string :digest, null: false, limit: 64, index: {unique: true}
      t.datetime :pressed_at, null: false
      t.text :path, null: false
      t.text :body, null: false
      t.jsonb :seen
      t.jsonb :files, null: false, default: {}
      t.datetime :created_at, null: false
      t.text :answer
      t.text :sentence
      t.datetime :settled_at
      t.references :settled_by, foreign_key: {to_table: :users}
    end
  end
end
