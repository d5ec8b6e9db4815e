# frozen_string_literal: true

# The catalogue narrowed by the database to what the core should judge: what this supply
# and place allow, near this output, fewest obstacles first. No condition holds a motor
# back or counts as an obstacle unless the core would fail it too, so that nothing the
# core would take is missing or stands behind a motor it would reject.
class CatalogueNet
  MOST = 56
  # So many that lists name are worth judging.
  LISTED = 40
  # How far beyond the core's own windows of load the net reaches, as plates are rounded:
  # their amps and watts need not agree to the last digit.
  ROUNDED = 1.2
  # Where the plate gives neither watts nor horsepower, its amps tell less.
  ROUGH = 2.2
  TAPS = (1..4).map { |tap| "volts[#{tap}] BETWEEN :low AND :high" }.join(" OR ").freeze
  RANK =
    "CASE enclosure WHEN 'open' THEN 0 WHEN 'open_air_over' THEN 1 WHEN 'enclosed' THEN 2 WHEN 'potted' THEN 3 END"

  # @param old [Fenbo::Matching::Motor]
  # @param unit [Unit]
  # @param bore_mm [Float, nil] of the blade's hub
  # @param healthy_amps [Float, nil] what the old motor drew while it was well
  # @param at_hand [Array<String>] part numbers on the vans
  def initialize(old, unit, limits, bore_mm: nil, accessories: [], healthy_amps: nil, at_hand: [])
    @old = old
    @healthy_amps = healthy_amps
    @unit = unit
    @limits = limits
    @bore_mm = bore_mm || old.shaft_diameter_mm
    @accessories = accessories
    @at_hand = at_hand
  end

  # @return [Array<Hash>] catalogue rows
  def rows
    @rows ||= (near + certain).uniq { |row| row["part_no"] }
  end

  private

  def columns = Motor::COLUMNS

  # Those whose output is known by an index, the few whose is not beside them.
  def near
    known =
      if wanted
        Motor.where(phases: @unit.supply_phases, output_w: Range.new(*outputs))
      else
        Motor.where(phases: @unit.supply_phases)
      end
    foremost(known) +
      foremost(
        Motor.where("phases IS NULL OR output_w IS NULL").where("phases IS NULL OR phases = ?", @unit.supply_phases)
      )
  end

  def foremost(scope)
    scope = scope.where("volts = '{}' OR #{TAPS}", **plates)
    hard.compact.each { |sql, binds| scope = scope.where("(#{sql}) IS NOT TRUE", binds) }
    foremost = scope.order(Arel.sql("#{obstacles} ASC, price_cents ASC NULLS LAST, part_no ASC")).limit(MOST)
    # Only the chosen ones' rows are read in full.
    read(Motor.where("part_no IN (#{foremost.select(:part_no).to_sql})"))
  end

  # Plate voltages within the tolerance of this site's.
  def plates
    off = @limits["match.supply_tolerance"] * @unit.supply_volts + 1e-9
    {low: @unit.supply_volts - off, high: @unit.supply_volts + off}
  end

  # A motor that draws less than its plate may be followed by a smaller one.
  def outputs
    plate = @old.amps_at(@unit.supply_volts)
    share = (@healthy_amps && plate) ? @healthy_amps / plate : 1.0
    beyond = (@old.horsepower || @old.watts) ? ROUNDED : ROUGH
    # Three phases carry a larger motor as long as their starter does.
    [
      wanted * least / beyond * [share, 1.0].min,
      (@old.family == "three_phase") ? nil : wanted * most * beyond * [share, 1.0].max
    ]
  end

  # The windows of load as the shop has set them, whichever of them a candidate falls under.
  def least = [1 / @limits["match.load_high"], @limits["match.output_low"]].min

  def most
    larger = %w[match.output_high match.ec_oversize match.split_phase_oversize].map { |name| @limits[name] }
    [1 / @limits["match.load_low"], *larger].max
  end

  # What the lists name counts however far off it is: why not this one is worth knowing.
  # What is on the van is judged even where much else is cheaper.
  def certain
    on_vans = Motor.where(part_no: @at_hand, phases: @unit.supply_phases)
    return read(on_vans) if @old.part_no.blank?
    listed = Motor.where("cross_reference @> ARRAY[?]::text[]", @old.part_no)
    same = Motor.where(part_no: [@old.part_no, @old.superseded_by].compact)
    read(listed.or(same).or(on_vans).limit(LISTED + @at_hand.size))
  end

  def read(scope)
    scope.pluck(*columns).map { |values| columns.zip(values).to_h }
  end

  def wanted = @old.output_watts(@limits)

  def obstacles
    counted = conditions.compact.map { |sql, binds| "COALESCE(#{Motor.sanitize_sql([sql, binds])}, false)::int" }
    counted.empty? ? "0" : counted.join(" + ")
  end

  # What no work can mend is not read at all; true where the core would fail it, an
  # unknown column is none.
  def hard
    [["discontinued", {}], hertz, ambient, flammable, wet, belt, tightness]
  end

  # What another bracket, bushing or blade might mend is worth showing as a near miss.
  def conditions = [mount, shaft, rotation, speed, integral, control]

  def hertz
    ["hertz <> '{}' AND NOT :hertz = ANY(hertz)", {hertz: @unit.supply_hertz}]
  end

  def ambient
    return nil unless @unit.ambient_low_c && @unit.ambient_high_c
    ["ambient_low_c > :low OR ambient_high_c < :high", {low: @unit.ambient_low_c, high: @unit.ambient_high_c}]
  end

  def flammable = @unit.flammable ? ["NOT flammable_ok", {}] : nil

  def wet = @unit.wet ? ["#{RANK} < 2", {}] : nil

  def belt = @unit.belt ? ["enclosure = 'open_air_over'", {}] : nil

  def tightness
    @old.enclosure && ["#{RANK} < :rank", {rank: Fenbo::Matching::Checks::Duty::RANK.fetch(@old.enclosure)}]
  end

  def mount
    return nil unless @old.mount
    borne = @accessories.select { |part| part["mount_to"] == @old.mount }.filter_map { |part| part["mount_from"] }
    [
      "mount NOT IN (:mounts) AND kit_contents IS NULL OR mount = :own AND NOT :bracketed AND kit_contents " \
      "IS NULL AND abs(bolt_circle_mm - :circle) > :off",
      {
        bracketed: borne.include?(@old.mount),
        mounts: [@old.mount, *borne],
        own: @old.mount,
        circle: @old.bolt_circle_mm,
        off: @limits["match.bolt_circle_tolerance"]
      }
    ]
  end

  def shaft
    return nil unless @bore_mm
    steps =
      @accessories
        .select { |part| part["kind"] == "bushing" && (part["to_mm"] - @bore_mm).abs <= tolerance }
        .filter_map { |part| part["from_mm"] }
    thinner = steps.map { |step| "abs(shaft_diameter_mm - #{step.to_f}) <= :off" }
    [
      "kit_contents IS NULL AND NOT integral_blade AND NOT " \
      "(#{["abs(shaft_diameter_mm - :bore) <= :off", *thinner].join(" OR ")})",
      {bore: @bore_mm, off: tolerance}
    ]
  end

  def tolerance = @limits["match.shaft_tolerance"] + 1e-9

  def rotation
    opposite = Fenbo::Matching::Rotation::OPPOSITE[@old.rotation] or return nil
    ["rotation = :opposite AND kit_contents IS NULL", {opposite:}]
  end

  def speed
    return nil unless @old.rpm
    [
      "kit_contents IS NULL AND abs(rpm - :rpm) > :off",
      {rpm: @old.rpm, off: @old.rpm * @limits["match.rpm_adapt"] + 1e-6}
    ]
  end

  def integral
    @old.integral_blade ? ["NOT integral_blade AND kit_contents IS NULL", {}] : nil
  end

  def control
    return nil if [nil, "none"].include?(@old.control)
    ["coalesce(control, 'none') NOT IN (:obeys)", {obeys: [@old.control, "program"]}]
  end
end
