# frozen_string_literal: true

module Entries
  # A part that is no motor taken for a fan, judged by `checks` against what was noted of the
  # old one (`wanted`), with what comes with the choice (`beside`).
  Spare = Entry.of(:fan, :part_no, :grade, :checks, wanted: {}, beside: {}) do
    def action = :decide

    def append(book)
      spare = ::Spare.find_by!(part_no:)
      mine = {fan_position: book.fan(fan), superseded_at: nil}
      # Two presses at once are one choice.
      book.record.with_lock do
        same = PartChoice.find_by(job: book.record, **mine, spare:)
        same ? same.update!(wanted:) : choose(book, spare, mine)
      end
      book.finish("match")
    end

    private

    def choose(book, spare, mine)
      book.record.part_choices.where(mine).update_all(superseded_at: book.now)
      PartChoice.create!(job: book.record, fan_position: book.fan(fan), spare:, user: book.user, grade:, checks:,
        wanted:, beside:)
    end
  end
end
