# frozen_string_literal: true

module Services
  # The blade that goes with the motor: the old one where it is sound, else those of the
  # catalogue that suit opening, bore and rotation.
  class BladeSearch
    COLUMNS = %w[part_no diameter_mm blade_count pitch_deg hub bore_mm rotation air price_cents].freeze
    MOST = 200
    # What a look at the blade may have found, and what it means for using it again.
    DAMAGE = {"cracked_or_missing" => "cracks", "loose" => "hub_worn"}.freeze

    def initialize(search)
      @search = search
    end

    def old = @search.old

    def known? = !old&.blade_diameter_mm.nil?

    def result = @result ||= Fenbo::Tools.call("blades", question, limits: Shop.limits)

    def candidates = result.refused? ? [] : result[:candidates].first(4)

    # What was seen of the old blade, in the words of its test.
    def seen = @seen ||= @search.job.findings.reverse.find { |one| one.test == "blade_state" && one.fan_position_id == @search.position.id && !one.voided? }

    private

    def chosen = @search.job.part_choice&.motor || @search.motor(@search.candidates.first&.fetch(:part_no))

    def question
      {"old" => old_blade, "motor" => drive, "state" => {DAMAGE[seen&.outcome] => true}.reject { |key, _| key.nil? }, "blades" => near}.compact
    end

    def old_blade
      {"part_no" => "old", "diameter_mm" => old.blade_diameter_mm, "bore_mm" => old.blade_bore_mm, "rotation" => old.blade_rotation || turning, "air" => old.blade_air || "away_from_motor", "hub" => old.blade_hub, "pitch_deg" => old.blade_pitch_deg, "blade_count" => old.blade_count}.compact
    end

    # A blade whose sense is not noted turns as its motor does.
    def turning = %w[cw ccw].include?(old.rotation) ? old.rotation : nil

    def drive
      motor = chosen
      return {} unless motor
      turns = (motor.rotation == "reversible") ? old.rotation : motor.rotation
      {"rotation" => turns, "shaft_diameter_mm" => motor.shaft_diameter_mm, "rpm" => motor.rpm, "old_rpm" => old.rpm}.compact
    end

    def near
      from, to = old.blade_diameter_mm * (1 - Shop.limits["blades.smaller"]) - 0.01, old.blade_diameter_mm + 0.01
      Blade.where(diameter_mm: from..to).order(:price_cents).limit(MOST).pluck(*COLUMNS).map { |values| COLUMNS.zip(values).to_h.compact }
    end
  end
end
