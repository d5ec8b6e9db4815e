# frozen_string_literal: true

module Entries
  # Closes a job: decided and handed over; an apprentice's closing waits for a technician.
  # What is not proved may be closed, and the report says so.
  class Close
    include Entry

    def action = :decide

    def after_closing? = true

    # What stands in the way.
    def against(book)
      return if book.job.closed?
      decisions = book.job.faults.select(&:open?).filter_map(&:decision)
      return [:close, "Decide on a cause first: the report has to name one."] if decisions.empty?
      if decisions.any?(&:awaits_countersign?)
        return [:close, "The apprentice's decision waits for a technician's countersign, at Decide."]
      end
      Signing.against(book)
    end

    def append(book)
      return book.record if book.job.closed?
      if book.user.apprentice?
        book.record.update!(status: "awaiting_countersign", closed_by: book.user)
      else
        Closing.new(book).finish(book.user)
      end
      book.record
    end
  end
end
