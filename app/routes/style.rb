# frozen_string_literal: true

module Routes
  # The living style page.
  class Style < Base
    get("/style") { erb :style }
  end
end
