# frozen_string_literal: true

module Entries
  # A technician stands for what an apprentice decided about a fault: for the decision they
  # read, not for one that took its place meanwhile. `read` is its id.
  DecisionCountersign = Entry.of(:fault, read: nil) do
    def action = :countersign

    def against(book)
      standing = book.job.decision(fault)
      return if read.nil? || standing.nil? || standing.id == read
      [:countersign, "It was decided anew since you read it: look at what stands now."]
    end

    def append(book)
      standing = book.job.decision(fault) or raise ActiveRecord::RecordNotFound
      row = ::Decision.find_by!(client_id: standing.id)
      row.update!(countersigned_by: book.user, countersigned_at: book.now) if row.awaits_countersign?
    end
  end
end
