# frozen_string_literal: true

module Entries
  # The end of the work: visits end, and the shop learns.
  class Closing
    def initialize(book)
      @book = book
      @record = book.record
    end

    # @param by [User] who closed it
    def finish(by)
      now = @book.now
      @record.visits.select { |visit| visit.ends_at.nil? && visit.starts_at <= now }
        .each { |visit| visit.update!(ends_at: now) }
      @record.update!(status: "closed", closed_by: by, closed_at: now, station: "hand_over")
      Learn.enqueue
    end
  end
end
