# frozen_string_literal: true

module Settings
  # The living style page.
  class Style < Shared::Route
    # A reading to draw: within its window, three turns through the clamp.
    SAMPLE = {
      "motor" => {"family" => "shaded_pole", "nameplate_amps" => 0.42, "nameplate_volts" => 230, "turning" => true},
      "reading" => {
        "amps" => [1.17], "volts" => [231], "turns" => 3,
        "meter" => {"percent" => 2, "counts" => 5, "resolution" => 0.01}
      }
    }.freeze

    get("/style") { erb :style }
  end
end
