# frozen_string_literal: true

module Entries
  # Opens a closed job again, with a reason; what it taught counts no more until it is closed
  # anew, and what was signed holds as long as nothing signed is changed.
  Reopen = Entry.of(:reason) do
    def action = :countersign

    def after_closing? = true

    def against(book)
      return unless book.record.status == "closed" && reason.to_s.strip.empty?
      [:reopen, "Why is it opened again? A few words for whoever asks later."]
    end

    def append(book)
      return unless book.record.status == "closed"
      book.record.update!(status: "open", reopen_reason: reason.strip, closed_at: nil, closed_by: nil,
        countersigned_by: nil)
      Learn.enqueue
    end
  end
end
