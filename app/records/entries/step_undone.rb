# frozen_string_literal: true

module Entries
  # A tick taken back; that it stood is kept in the audit trail.
  StepUndone = Entry.of(:fault, :task, :step) do
    def append(book)
      row = book.record.work_steps.find_by!(fault: book.job.fault_at(fault).key, task:, step:)
      AuditEntry.create!(user: book.user, action: "unticked", record_type: "WorkStep", record_id: row.id,
        changes_made: row.attributes, created_at: book.now)
      row.destroy!
    end
  end
end
