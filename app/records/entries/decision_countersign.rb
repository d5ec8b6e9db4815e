# frozen_string_literal: true

module Entries
  # A technician stands for what an apprentice decided about a fan.
  DecisionCountersign = Entry.of(:fan) do
    def action = :countersign

    def append(book)
      standing = book.job.decision(fan) or raise ActiveRecord::RecordNotFound
      row = ::Decision.find_by!(client_id: standing.id)
      row.update!(countersigned_by: book.user, countersigned_at: book.now) if row.awaits_countersign?
    end
  end
end
