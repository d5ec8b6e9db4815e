# frozen_string_literal: true

module Entries
  # One thing to see before a job is proved: ticked, or with the tick taken back.
  ProofTick = Entry.of(:check) do
    def against(_book)
      [:check, "is none of the things to see"] unless Fenbo::Proof::Checklist.all.key?(check)
    end

    def append(book)
      book.visit
      row = ProofCheck.find_by(job: book.record, check_id: check)
      toggle(book, row)
      Held.new(stopgap: nil).append(book) if check == "undone"
      book.finish("prove") if Fenbo::Proof::Checklist.new(book.reread).proved?
    end

    private

    # A tick of before a repair that did not prove is given anew, not taken back.
    def toggle(book, row)
      return row.destroy! if row && Fenbo::Proof::Checklist.new(book.job).done?(check)
      seen = {user: book.user, done_at: book.now}
      row ? row.update!(seen) : ProofCheck.create!(job: book.record, check_id: check, **seen)
    end
  end
end
