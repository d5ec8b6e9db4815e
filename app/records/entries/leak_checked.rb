# frozen_string_literal: true

module Entries
  # Somebody came back to a leak that was found: it holds, or it does not.
  LeakChecked = Entry.of(:id, :search, :on, :how, :tight, note: nil) do
    def known(book) = ::LeakCheck.find_by(client_id: id, job: book.record)

    def against(book)
      return [:on, "That day is still to come."] if on > book.now.to_date
      [:on, "That is before the leak was found."] if on < leak(book).on
    end

    def append(book)
      ::LeakCheck.record(client_id: id, taken_at: book.now, job: book.record, visit: book.visit, user: book.user,
        leak_search: leak(book), on:, how:, tight:, note:)
    end

    private

    def leak(book)
      ::LeakSearch.live.joins(:circuit).find_by!(client_id: search, circuits: {unit_id: book.record.unit_id})
    end
  end
end
