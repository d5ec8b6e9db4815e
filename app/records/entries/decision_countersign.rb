# frozen_string_literal: true

module Entries
  # A technician stands for what an apprentice decided about a fault.
  DecisionCountersign = Entry.of(:fault) do
    def action = :countersign

    def append(book)
      standing = book.job.decision(fault) or raise ActiveRecord::RecordNotFound
      row = ::Decision.find_by!(client_id: standing.id)
      row.update!(countersigned_by: book.user, countersigned_at: book.now) if row.awaits_countersign?
    end
  end
end
