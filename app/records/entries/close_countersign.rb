# frozen_string_literal: true

module Entries
  # A technician stands for an apprentice's closing, as it stood on the page they read.
  # `read` is the digest of the work shown there (SignedWork).
  CloseCountersign = Entry.of(read: nil) do
    def action = :countersign

    def after_closing? = true

    def against(book)
      return if book.job.closed?
      if book.job.faults.filter_map(&:decision).any?(&:awaits_countersign?)
        return [:close, "A decision was made that nobody has countersigned: look at it at Decide first."]
      end
      return Signing.against(book) if read.nil? || read == Fenbo::JobFile::SignedWork.new(book.job).digest
      [:close, "The job has changed since you read it. It is shown as it stands now: look again."]
    end

    def append(book)
      return unless book.record.status == "awaiting_countersign"
      book.record.update!(countersigned_by: book.user)
      Closing.new(book).finish(book.record.closed_by)
    end
  end
end
