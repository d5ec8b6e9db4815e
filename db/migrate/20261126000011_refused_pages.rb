# frozen_string_literal: true

# Pages that refused a form, with what was typed: each can be reloaded by whoever got it.
class RefusedPages < ActiveRecord::Migration[7.2]
  def change
    create_table :refused_pages, id: :uuid do |t|
      t.references :user, null: false, foreign_key: true
      t.text :body, null: false
      t.datetime :created_at, null: false
    end
  end
end
