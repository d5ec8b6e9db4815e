# frozen_string_literal: true

# What a customer was asked, version by version, what they answered, and the links by which
# they do it. Neither versions nor answers ever change. Money in whole cents.
class CustomerQuotes < ActiveRecord::Migration[7.2]
  def up
    quotes
    answers
    links
    %i[quotes quote_answers].each do |table|
      execute "CREATE TRIGGER keep_forever BEFORE UPDATE OR DELETE ON #{table} FOR EACH ROW " \
                "EXECUTE FUNCTION keep_forever()"
    end
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def quotes
    create_table :quotes do |t|
      t.uuid :uid, null: false, default: -> { "gen_random_uuid()" }, index: {unique: true}
      t.references :job, null: false, foreign_key: true
      t.references :user, null: false, foreign_key: true
      t.integer :version, null: false
      t.jsonb :options, null: false
      t.bigint :limit_cents
      t.float :tax_percent, null: false
      t.text :note
      t.datetime :created_at, null: false
      t.index %i[job_id version], unique: true
    end
  end

  def answers
    create_table :quote_answers do |t|
      t.uuid :uid, null: false, default: -> { "gen_random_uuid()" }, index: {unique: true}
      t.references :quote, null: false, foreign_key: true
      t.references :user, foreign_key: true
      t.text :verdict, null: false
      t.text :option
      t.text :name, null: false
      t.text :how, null: false
      t.jsonb :signature
      t.text :reason
      t.bigint :net_cents
      t.bigint :total_cents
      t.datetime :at, null: false
      t.check_constraint "verdict IN ('approved', 'declined')", name: "quote_answers_verdict_known"
      t.check_constraint "how IN ('signature', 'link', 'told')", name: "quote_answers_how_known"
      t.check_constraint "verdict = 'declined' OR (option IS NOT NULL AND net_cents IS NOT NULL)",
        name: "quote_answers_approve_something"
    end
  end

  def links
    create_table :quote_links do |t|
      t.references :quote, null: false, foreign_key: true
      t.references :made_by, null: false, foreign_key: {to_table: :users}
      t.text :digest, null: false, index: {unique: true}
      t.datetime :expires_at, null: false
      t.datetime :used_at
      t.timestamps
    end
  end
end
