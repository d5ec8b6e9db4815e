# frozen_string_literal: true

module Entries
  # The box as it was found and left, °C.
  Temperatures = Entry.of(arrival: nil, leaving: nil) do
    def append(book)
      book.visit.update!({arrival_c: arrival, leaving_c: leaving}.compact)
      book.record.box_stands_at(leaving, book.now) if leaving
    end
  end
end
