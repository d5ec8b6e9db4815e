# frozen_string_literal: true

module Entries
  # A search for leaks: how, where, and, where one was found, what was tightened or replaced.
  LeakSought = Entry.of(:id, :circuit, :on, :how, :place, :found, done: nil) do
    def known(book) = ::LeakSearch.find_by(client_id: id, job: book.record)

    def against(book)
      (on > book.now.to_date) ? [:on, "That day is still to come."] : nil
    end

    def append(book)
      ::LeakSearch.record(client_id: id, taken_at: book.now, job: book.record, visit: book.visit, user: book.user,
        circuit: Circuit.find_by!(unit: book.record.unit, uid: circuit), on:, how:, place:, found:, done:)
    end
  end
end
