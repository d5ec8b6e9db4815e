# frozen_string_literal: true

module Routes
  # The day board: what needs what next.
  class Day < Base
    get "/" do
      erb :day, locals: {board: Services::DayBoard.new(now: Time.now)}
    end

    get "/*" do
      raise Sinatra::NotFound
    end
  end
end
