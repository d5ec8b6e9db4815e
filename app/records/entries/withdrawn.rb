# frozen_string_literal: true

module Entries
  # A decision taken back, with the reason: there was no such fault. What was chosen for it and
  # is not fitted is not wanted any more.
  Withdrawn = Entry.of(:fault, :reason) do
    def action = :decide

    def against(book)
      return [:fault, "Nothing is decided there."] unless book.job.decision(fault)
      [:reason, "Say why it is taken back, in a few words."] if reason.nil?
    end

    def append(book)
      ::Decision.find_by!(client_id: book.job.decision(fault).id).void(book.user, reason, at: book.now)
      not_wanted(book.choice(fault), book)
      book.record.update_columns(station: book.reread.station_decided)
    end

    private

    def not_wanted(choice, book)
      return unless choice && !choice.fitted_at
      NotWanted.call(choice, book)
      choice.update!(superseded_at: book.now)
    end
  end
end
