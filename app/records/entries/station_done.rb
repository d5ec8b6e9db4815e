# frozen_string_literal: true

module Entries
  # A station done without anything recorded at it.
  StationDone = Entry.of(:station) do
    def against(_book)
      [:station, "Choose one of the nine."] unless Fenbo::JobFile::STATIONS.include?(station)
    end

    def append(book) = book.finish(station)
  end
end
