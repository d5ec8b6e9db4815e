# frozen_string_literal: true

module Stations
  module Look
    # Station 2: what can be seen, heard and felt before anything is touched.
    class Route < Shared::Route
      get "/jobs/:number/look" do
        station :look
      end
    end
  end
end
