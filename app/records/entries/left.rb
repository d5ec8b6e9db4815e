# frozen_string_literal: true

module Entries
  # Whoever is here goes, and comes back another time; °C of the box as they leave it.
  Left = Entry.of(leaving: nil) do
    def against(book)
      [:leave, "Nobody is here: a visit begins with the first thing recorded."] if here(book).nil?
    end

    def append(book)
      row = ::Visit.find_by!(uid: here(book).uid)
      row.update!({ends_at: book.now, leaving_c: leaving}.compact)
      book.record.box_stands_at(leaving, book.now) if leaving
      row
    end

    private

    def here(book) = book.job.presence(book.limits).at(book.now)
  end
end
