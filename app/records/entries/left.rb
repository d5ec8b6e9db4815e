# frozen_string_literal: true

module Entries
  # Whoever is here goes, and comes back another time; °C of the box as they leave it.
  Left = Entry.of(leaving: nil) do
    def against(book)
      [:leave, "Nobody is here: a visit begins with the first thing recorded."] if here(book).nil?
    end

    def append(book)
      row = ::Visit.find_by!(uid: here(book).uid)
      read_box(book) if leaving
      row.update!({ends_at: book.now, leaving_c: leaving}.compact)
      row
    end

    private

    # A reading of the product's clock like any other, unless the work changed what it drifts to.
    def read_box(book)
      reading = BoxRead.new(id: SecureRandom.uuid, points: [[book.now, leaving]])
      drifts = !book.job.done?("fit") && reading.against(book).nil?
      drifts ? reading.append(book) : book.record.box_stands_at(leaving, book.now)
    end

    def here(book) = book.job.presence(book.limits).at(book.now)
  end
end
