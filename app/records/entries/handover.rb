# frozen_string_literal: true

module Entries
  # The handover as written, and the signature where one was drawn; nothing drawn keeps
  # what was signed before.
  # `version` is that of the text it was written over.
  Handover = Entry.of(:values, version: nil, signature: nil, signed_name: nil) do
    # @raise [ActiveRecord::StaleObjectError] where somebody wrote it meanwhile
    def append(book)
      row = book.record.handover || ::Handover.new(job: book.record)
      row.lock_version = version if version && row.persisted?
      row.update!(**values, **signed(book), user: book.user)
      book.finish("hand_over") if row.signed_at
      row
    end

    private

    def signed(book)
      signature ? {signature:, signed_name:, signed_at: book.now} : {}
    end
  end
end
