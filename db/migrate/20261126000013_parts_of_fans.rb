# frozen_string_literal: true

# A part is chosen for a fan, not for the job: a job may carry several faults. Whether it
# was fitted is confirmed by somebody, at a time.
class PartsOfFans < ActiveRecord::Migration[7.2]
  def up
    add_reference :part_choices, :fan_position, foreign_key: true
    add_column :part_choices, :fitted_at, :datetime
    add_reference :part_choices, :fitted_by, foreign_key: {to_table: :users}
    # The fan in hand was the one complained of, else the unit's first.
    execute <<~SQL
      UPDATE part_choices p SET fan_position_id = coalesce(j.fan_position_id, (
        SELECT f.id FROM fan_positions f WHERE f.unit_id = j.unit_id ORDER BY f.side DESC, f.number LIMIT 1
      )) FROM jobs j WHERE j.id = p.job_id
    SQL
    # What closed jobs with a work plan recorded as fitted.
    execute <<~SQL
      UPDATE part_choices p SET fitted_at = j.closed_at, fitted_by_id = j.closed_by_id
      FROM jobs j WHERE j.id = p.job_id AND j.status = 'closed' AND p.superseded_at IS NULL
      AND EXISTS (SELECT 1 FROM work_steps w WHERE w.job_id = j.id)
    SQL
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
