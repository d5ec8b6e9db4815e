# frozen_string_literal: true

module Settings
  # One's own units, appearance and clamp meter.
  class ProfileForm
    attr_reader :faults

    def initialize(user, params)
      @user = user
      @typed = Shared::Typed.new(params)
      @params = params
      @faults = @typed.faults
    end

    def save
      system = @typed.choice(:unit_system, User::UNIT_SYSTEMS, required: "Choose one.")
      appearance = @typed.choice(:appearance, User::APPEARANCES, required: "Choose one.")
      meter = {
        "name" => @typed.text(:meter_name, longest: 60),
        "percent" => number(:meter_percent, 0..100),
        "counts" => number(:meter_counts, 0..1000),
        "resolution" => number(:meter_resolution, 0..100),
        "true_rms" => @typed.flag(:true_rms)
      }.compact
      @typed.clean? && @user.update!(unit_system: system, appearance:, meter:)
    end

    private

    def number(name, range)
      text = @params[name].to_s.strip.tr(",", ".")
      return nil if text.empty?
      return text.to_f if text.match?(/\A\d{1,6}(\.\d{1,6})?\z/) && range.cover?(text.to_f)
      @typed.fault(name, "A number from #{range.first} to #{range.last}.")
    end
  end
end
