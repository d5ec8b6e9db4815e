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

    # A shaft that wants a spacer.
    SHAFT = {
      "L" => 44, "h" => 14, "b_m" => 4, "b_f" => 18, "m" => 1.5, "G" => 46, "O" => 20, "t" => 1.6, "n_max" => 1,
      "old_seat" => 10, "chosen" => {"seat" => 14, "spacers" => 1}
    }.freeze
    # Families with more fans than one on a side.
    BANKS = {"fan_bank_condenser" => 6, "rack_condenser" => 3, "walk_in_cooler" => 3}.freeze

    def self.sample_layout
      limits = Fenbo::Limits.default
      Fenbo::Clearance::Fit.new(Fenbo::Clearance::Question.read(Fenbo::Input.new(SHAFT), limits), limits).layout
    end

    def self.sample_unit(family, row)
      many = (row["sides"].size > 1) ? 1 : BANKS.fetch(family, 1)
      fans = row["sides"].flat_map { |side| (1..many).map { |number| FanPosition.new(side:, number:) } }
      Unit.new(family:, name: row["label"], fan_positions: fans)
    end

    get("/style") { erb :style }
  end
end
