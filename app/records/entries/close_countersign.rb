# frozen_string_literal: true

module Entries
  # A technician stands for an apprentice's closing.
  class CloseCountersign
    include Entry

    def action = :countersign

    def after_closing? = true

    def append(book)
      return unless book.record.status == "awaiting_countersign"
      book.record.update!(countersigned_by: book.user)
      Closing.new(book).finish(book.record.closed_by)
    end
  end
end
