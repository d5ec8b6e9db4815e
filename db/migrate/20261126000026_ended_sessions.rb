# frozen_string_literal: true

# Sessions that were signed out: a copy of their cookie opens nothing any more.
class EndedSessions < ActiveRecord::Migration[7.2]
  def up
    create_table :ended_sessions do |t|
      t.string :key, null: false, index: {unique: true}
      t.datetime :ended_at, null: false
    end
  end

  def down
    drop_table :ended_sessions
  end
end
