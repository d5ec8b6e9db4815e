# frozen_string_literal: true

module Day
  # The day board: what needs what next.
  class Route < Shared::Route
    get "/" do
      erb :day, locals: {board: Board.new(now: Time.now)}
    end
  end
end
