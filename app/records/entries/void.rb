# frozen_string_literal: true

module Entries
  # Takes a finding or a reading back, a reading with the findings that follow from it.
  # Nothing is erased: who took it back, when and why stands beside it.
  Void = Entry.of(:of, :id, reason: nil) do
    def action = (of == :refrigerant_moves) ? :move_refrigerant : :record

    def append(book)
      row = book.record.public_send(of).find_by!(client_id: id)
      row.void(book.user, reason, at: book.now)
      return row unless of == :readings
      row.findings.each { |finding| finding.void(book.user, "its reading was taken back", at: book.now) }
      row
    end
  end
end
