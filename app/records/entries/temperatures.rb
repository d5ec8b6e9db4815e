# frozen_string_literal: true

module Entries
  # The box as it was found and left, °C.
  Temperatures = Entry.of(arrival: nil, leaving: nil) do
    def append(book)
      left = left_anew?(book.visit)
      book.visit.update!({arrival_c: arrival, leaving_c: leaving}.compact)
      book.record.box_stands_at(leaving, book.now) if left
    end

    # What was read on leaving before is not read once more by keeping the page again.
    def left_anew?(visit) = !leaving.nil? && visit.leaving_c != leaving
  end
end
