# frozen_string_literal: true

module Entries
  # One thing to see before a job is proved: ticked, or with the tick taken back.
  ProofTick = Entry.of(:check) do
    def fault(_book)
      [:check, "is none of the things to see"] unless Fenbo::Proof::Checklist.all.key?(check)
    end

    def append(book)
      row = ProofCheck.find_by(job: book.record, check_id: check)
      row ? row.destroy! : ProofCheck.create!(job: book.record, check_id: check, user: book.user, done_at: book.now)
      book.finish("prove") if Fenbo::Proof::Checklist.new(book.reread).proved?
    end
  end
end
