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
      Whereabouts.new(@record, @book.limits).close(now)
      @record.update!(status: "closed", closed_by: by, closed_at: now, station: "hand_over")
      Learn.enqueue
    end
  end
end
