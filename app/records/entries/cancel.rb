# frozen_string_literal: true

module Entries
  # A job that is not needed after all. What was recorded on it stays readable.
  Cancel = Entry.of(:reason) do
    def action = :assign

    def against(_book)
      [:reason, "Why is it cancelled? A few words for whoever asks later."] if reason.to_s.strip.empty?
    end

    def append(book)
      book.record.visits.select { |visit| visit.ends_at.nil? }.each { |visit| end_visit(visit, book.now) }
      book.record.part_choices.reject(&:superseded_at).each { |choice| VanPieces.put_back(choice, book) }
      book.record.update!(status: "cancelled", cancel_reason: reason.strip, closed_by: book.user, closed_at: book.now)
      book.record
    end

    private

    # One that has begun ends; one that was only planned is not made.
    def end_visit(visit, now)
      (visit.starts_at <= now) ? visit.update!(ends_at: now) : visit.destroy!
    end
  end
end
