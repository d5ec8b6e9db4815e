# frozen_string_literal: true

module Entries
  # A job that is not needed after all. What was recorded on it stays readable.
  Cancel = Entry.of(:reason) do
    def action = :assign

    def against(_book)
      [:reason, "Why is it cancelled? A few words for whoever asks later."] if reason.to_s.strip.empty?
    end

    def append(book)
      Whereabouts.new(book.record, book.limits).close(book.now)
      book.record.part_choices.reject(&:superseded_at).each { |choice| NotWanted.call(choice, book) }
      book.record.update!(status: "cancelled", cancel_reason: reason.strip, closed_by: book.user, closed_at: book.now)
      book.record
    end
  end
end
