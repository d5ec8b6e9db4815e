# frozen_string_literal: true

module Settings
  # One's own units, appearance and clamp meter.
  class ProfileForm < Shared::Form
    def initialize(user, params)
      super(params)
      @user = user
    end

    def save
      system = choice(:unit_system, User::UNIT_SYSTEMS, required: "Choose one.")
      appearance = choice(:appearance, User::APPEARANCES, required: "Choose one.")
      meter = {
        "name" => text(:meter_name, longest: 60),
        "percent" => number(:meter_percent, 0..100),
        "counts" => number(:meter_counts, 0..1000),
        "resolution" => number(:meter_resolution, 0..100),
        "true_rms" => flag(:true_rms)
      }.compact
      clean? && @user.update!(unit_system: system, appearance:, meter:)
    end
  end
end
