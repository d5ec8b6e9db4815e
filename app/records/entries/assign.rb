# frozen_string_literal: true

module Entries
  # Whose job it is, and when somebody comes: the visit that is planned next moves, else one
  # is planned.
  Assign = Entry.of(:technician, at: nil) do
    def action = :assign

    def append(book)
      book.record.update!(technician:)
      plan(book) if at
      book.record
    end

    private

    def plan(book)
      planned = book.record.visits.find { |visit| visit.ends_at.nil? && visit.starts_at > book.now }
      who = technician || planned&.technician
      return unless who
      return planned.update!(starts_at: at, technician: who) if planned
      book.record.visits.create!(technician: who, starts_at: at, purpose: "on site")
    end
  end
end
