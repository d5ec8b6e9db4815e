# frozen_string_literal: true

module Entries
  # Opens a closed job again; what it taught counts no more until it is closed anew.
  class Reopen
    include Entry

    def action = :countersign

    def after_closing? = true

    def append(book)
      return unless book.record.status == "closed"
      book.record.update!(status: "open", closed_at: nil, closed_by: nil, countersigned_by: nil)
      Learn.enqueue
    end
  end
end
