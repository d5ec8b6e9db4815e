# frozen_string_literal: true

module Routes
  # Station 2: what can be seen, heard and felt before anything is touched.
  class Look < Base
    get "/jobs/:number/look" do
      station :look
    end
  end
end
