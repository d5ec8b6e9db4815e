# frozen_string_literal: true

module Entries
  # A motor taken for a fan, judged by `checks`, with the seat of its hub where the place
  # was measured (`fit_reading` is that reading's id), and what comes with the choice (`beside`).
  Part = Entry.of(:fan, :part_no, :grade, :checks, beside: {}, seat_mm: nil, spacers: nil, fit_reading: nil) do
    def action = :decide

    def append(book)
      motor = Motor.find_by!(part_no:)
      # Two presses at once are one choice.
      book.record.with_lock do
        same = PartChoice.where(job: book.record, fan_position: book.fan(fan), superseded_at: nil).last
        (same&.motor_id == motor.id) ? reseat(same) : choose(book, motor)
      end
      book.finish("match")
    end

    private

    def seat
      {seat_mm:, spacers:, fit_reading: fit_reading && ::Reading.find_by!(client_id: fit_reading)}
    end

    def reseat(choice)
      choice.update!(seat) if seat_mm
    end

    def choose(book, motor)
      mine = {fan_position: book.fan(fan), superseded_at: nil}
      book.record.part_choices.where(mine).update_all(superseded_at: book.now)
      PartChoice.create!(job: book.record, fan_position: book.fan(fan), motor:, user: book.user, grade:, checks:,
        beside:, **seat)
    end
  end
end
