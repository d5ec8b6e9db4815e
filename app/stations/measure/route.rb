# frozen_string_literal: true

module Stations
  module Measure
    # Station 3: the meter, then the tests on what was made safe.
    class Route < Shared::Route
      get "/jobs/:number/measure" do
        station :measure,
          instrument: Shared::Instrument.of(tool, params.slice("kind"), user: current_user, job:, fan: position)
      end

      private

      # The instrument in hand: asked for, else the clamp.
      def tool
        Shared::Instrument.for_fan(position, job.unit).include?(params[:tool]) ? params[:tool] : "amps"
      end
    end
  end
end
