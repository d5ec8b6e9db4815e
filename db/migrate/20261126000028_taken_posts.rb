# frozen_string_literal: true

# Posts that were taken, by the id their sender gave them and what was typed, with the answer
# they got: sent again, they get it again.
class TakenPosts < ActiveRecord::Migration[7.2]
  def up
    create_table :taken_posts do |t|
      t.string :digest, null: false, limit: 64, index: {unique: true}
      t.references :user, null: false, foreign_key: true
      t.text :answer
      t.datetime :created_at, null: false, index: true
    end
  end

  def down
    drop_table :taken_posts
  end
end
