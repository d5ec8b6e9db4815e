# frozen_string_literal: true

module Entries
  # A part that is no motor taken for a fault, judged by `checks` against what was noted of the
  # old one (`wanted`), with what comes with the choice (`beside`).
  Spare = Entry.of(:fault, :part_no, :grade, :checks, wanted: {}, beside: {}) do
    include Choosing

    def append(book)
      spare = ::Spare.find_by!(part_no:)
      choose(book, spare, again: ->(row) { row.update!(wanted:) }, spare:, wanted:)
    end
  end
end
