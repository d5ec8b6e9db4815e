# frozen_string_literal: true

module Settings
  # The living style page.
  class Style < Shared::Route
    get("/style") { erb :style }
  end
end
