# frozen_string_literal: true

module Entries
  # A technician stands for an apprentice's decision.
  class DecisionCountersign
    include Entry

    def action = :countersign

    def append(book)
      row = book.record.decision or raise ActiveRecord::RecordNotFound
      row.update!(countersigned_by: book.user, countersigned_at: book.now) if row.awaits_countersign?
    end
  end
end
