# frozen_string_literal: true

# An id that means the same on every Fenbo, for what a job file names.
class Identities < ActiveRecord::Migration[7.2]
  TABLES = %i[users customers sites units fitted_motors jobs visits part_choices].freeze

  def change
    TABLES.each do |table|
      add_column table, :uid, :uuid, null: false, default: -> { "gen_random_uuid()" }
      add_index table, :uid, unique: true
    end
  end
end
