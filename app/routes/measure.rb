# frozen_string_literal: true

module Routes
  # Station 3: the meter, then the tests on what was made safe.
  class Measure < Base
    get "/jobs/:number/measure" do
      station :measure, instrument: Services::Instrument.of(tool, {}, user: current_user, position:)
    end

    private

    # The instrument in hand: asked for, else the clamp.
    def tool
      Services::Instrument.for_fan(position).include?(params[:tool]) ? params[:tool] : "amps"
    end
  end
end
