# frozen_string_literal: true

module Routes
  # Station 3: the meter, then the tests on what was made safe.
  class Measure < Base
    get "/jobs/:number/measure" do
      station :measure, faults: {}, typed: {}
    end
  end
end
