# frozen_string_literal: true

module Bench
  # The pocket bench: every instrument without a job. What is typed stands in the
  # address, so that a reading can be kept as a bookmark or sent on.
  class Route < Shared::Route
    get "/bench/?" do
      bench("amps")
    end

    get "/bench/:tool" do
      raise ActiveRecord::RecordNotFound unless Shared::Instrument::ALL.key?(params[:tool])
      bench(params[:tool])
    end

    private

    def bench(tool)
      instrument = Shared::Instrument.of(tool, params, user: current_user)
      status 422 if instrument.asked? && !instrument.ask
      erb :bench, locals: {instrument:}
    end
  end
end
