# frozen_string_literal: true

module Entries
  # A motor taken for a fault, judged by `checks`, with the seat of its hub where the place
  # was measured (`fit_reading` is that reading's id), and what comes with the choice (`beside`).
  Part = Entry.of(:fault, :part_no, :grade, :checks, beside: {}, seat_mm: nil, spacers: nil, fit_reading: nil) do
    include Choosing

    def append(book)
      motor = Motor.find_by!(part_no:)
      choose(book, motor, again: ->(row) { row.update!(seat) if seat_mm }, motor:, **seat)
    end

    private

    def seat
      {seat_mm:, spacers:, fit_reading: fit_reading && ::Reading.find_by!(client_id: fit_reading)}
    end
  end
end
