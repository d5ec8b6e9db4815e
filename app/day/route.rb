# frozen_string_literal: true

module Day
  # The day board: what needs what next.
  class Route < Shared::Route
    get "/" do
      board = Board.new(now: Time.now)
      erb :day, locals: {board:, left: may?(:claim) && LeftPress.waiting.exists?,
                         steps: board.entries.empty? ? FirstSteps.list : []}
    end

    private

    def board_words(board)
      "#{count(board.entries.size, "open job")} · #{count(board.running, "clock")} running · #{board.stuck} stuck"
    end

    def visit_words(entry, visit, now)
      at = (visit.starts_at <= now) ? entry.begun_words(visit, now) : day_clock(visit.starts_at)
      entry.late?(visit, now) ? "#{at}, too late" : at
    end
  end
end
