# frozen_string_literal: true

# What holds a job's product for the time being, since when, and how it goes on from there.
class WhatHoldsTheProduct < ActiveRecord::Migration[7.2]
  def change
    add_column :jobs, :drift_from, :jsonb
  end
end
