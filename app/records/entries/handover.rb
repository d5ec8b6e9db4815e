# frozen_string_literal: true

module Entries
  # The handover as written, and the signature where one was drawn. Nothing drawn keeps what
  # was signed before; other words drop it.
  # `version` is that of the text it was written over, 0 where there was none.
  Handover = Entry.of(:values, version: nil, signature: nil, signed_name: nil) do
    # @raise [ActiveRecord::StaleObjectError] where somebody wrote it meanwhile
    def append(book)
      row = book.record.handover || ::Handover.new(job: book.record, lock_version: 1)
      row.lock_version = version if version && row.persisted?
      row.assign_attributes(**values, user: book.user)
      # A signature stands under the words it was given for.
      row.assign_attributes(Signing::NONE) if Signing::WORDS.any? { |name| row.attribute_changed?(name) }
      row.save!
      sign(row, book) if signature
      book.finish("hand_over") if row.signed_at || row.unsigned_because
      row
    end

    private

    # With the work it stands under, the words just kept among it.
    def sign(row, book)
      work = Fenbo::JobFile::SignedWork.new(book.reread)
      Signature.create!(job: book.record, user: book.user, name: signed_name, strokes: signature, digest: work.digest,
        work: work.to_h, signed_at: book.now)
      row.update!(signature:, signed_name:, signed_at: book.now, signed_digest: work.digest, signed_work: work.to_h)
    end
  end
end
