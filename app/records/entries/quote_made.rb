# frozen_string_literal: true

module Entries
  # A version of the quote, as it was reckoned now.
  QuoteMade = Entry.of(:options, :tax_percent, note: nil) do
    def action = :quote

    def against(_book)
      options.empty? ? [:options, "Nothing is decided that costs anything yet."] : nil
    end

    def append(book)
      book.record.with_lock do
        last = book.record.quotes.reload.last
        next last if last && last.options == options.as_json && last.note == note
        ::Quote.create!(job: book.record, user: book.user, version: (last&.version || 0) + 1, options:,
          tax_percent:, note:, limit_cents: book.record.unit.customer.approval_limit_cents, created_at: book.now)
      end
    end
  end
end
