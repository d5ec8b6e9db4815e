# frozen_string_literal: true

# A job that was not needed, or stood on the wrong unit, is cancelled with its reason.
class CancelledJobs < ActiveRecord::Migration[7.2]
  def up
    add_column :jobs, :cancel_reason, :text
    remove_check_constraint :jobs, name: "jobs_status_known"
    add_check_constraint :jobs, "status IN ('open', 'awaiting_countersign', 'closed', 'cancelled')",
      name: "jobs_status_known"
    add_check_constraint :jobs, "status <> 'cancelled' OR length(trim(cancel_reason)) > 0",
      name: "cancelled_for_a_reason"
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
