# frozen_string_literal: true

module Entries
  # How this unit is, for its work plan: kept with the unit.
  Features = Entry.of(:answers) do
    def append(book)
      book.record.unit.update!(features: book.record.unit.features.merge(answers))
    end
  end
end
