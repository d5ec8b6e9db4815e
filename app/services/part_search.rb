# frozen_string_literal: true

module Services
  # Candidates for the motor in hand: SQL narrows the catalogue to what could be
  # on this supply, the core judges every one that is left.
  class PartSearch
    MOST = 400
    # A wide net: the core judges what is near enough.
    NEAR_VOLTS = "volts = '{}' OR EXISTS (SELECT 1 FROM unnest(volts) AS plate WHERE plate BETWEEN 0.8 * :volts AND 1.25 * :volts)"

    attr_reader :job, :position

    def initialize(job, position)
      @job = job
      @position = position
    end

    def old = position.motor_now

    def result = @result ||= Fenbo::Tools.call("match", question, limits: Shop.limits)

    def candidates = result.refused? ? [] : result[:candidates]

    # Nearest misses first.
    def rejected(most = 6) = result.refused? ? [] : result[:rejected].first(most)

    def motor(part_no) = by_part_no[part_no]

    private

    def question
      {
        "old" => old_row, "site" => site, "healthy_amps" => healthy_amps,
        "blade" => old&.blade_bore_mm && {"bore_mm" => old.blade_bore_mm},
        "motors" => by_part_no.values.map { |motor| row(motor) }
      }.compact
    end

    def old_row = old ? row(old) : {}

    def site
      unit = job.unit
      {"volts" => unit.supply_volts, "phases" => unit.supply_phases, "hertz" => unit.supply_hertz,
       "ambient_c" => ([unit.ambient_low_c, unit.ambient_high_c] if unit.ambient_low_c && unit.ambient_high_c),
       "wet" => unit.wet, "flammable" => unit.flammable}.compact
    end

    # What the motor drew while it was well, newest first.
    def healthy_amps
      position.readings.live.where(kind: "amps", verdict: "within").order(:taken_at).last&.result&.dig("legs", 0, "amps")
    end

    def by_part_no
      @by_part_no ||= Motor.where("phases IS NULL OR phases = ?", job.unit.supply_phases).where(NEAR_VOLTS, volts: job.unit.supply_volts).order(:part_no).limit(MOST).index_by(&:part_no)
    end

    def row(record)
      record.attributes.slice(*CORE_KEYS).compact.merge("rotation_view" => "shaft_end")
    end

    CORE_KEYS = %w[part_no family volts hertz phases amps watts horsepower service_factor rpm poles rotation shaft_diameter_mm
      shaft_length_mm shaft_form mount bolt_circle_mm body_diameter_mm body_length_mm enclosure ambient_low_c ambient_high_c
      flammable_ok integral_blade control connector capacitor_uf price_cents kit_contents].freeze
  end
end
