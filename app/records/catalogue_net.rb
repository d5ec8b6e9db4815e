# frozen_string_literal: true

# The catalogue narrowed by the database to what the core should judge: what the checks
# would not refuse whatever else is known, near this output, fewest obstacles first. Every
# condition is a check's own, so that nothing the core would take is missing or stands
# behind a motor it would reject.
class CatalogueNet
  MOST = 56
  # As the index motors_unmeasured has it.
  UNMEASURED = "phases IS NULL OR output_w IS NULL OR (horsepower IS NULL AND watts IS NULL) OR amps = '{}'"
  # So many that lists name are worth judging.
  LISTED = 40

  # @param question [Fenbo::Matching::Match::Question] without motors
  # @param limits [Fenbo::Limits] the shop's
  # @param at_hand [Array<String>] part numbers on the vans
  def initialize(question, limits, at_hand: [])
    @context = Fenbo::Matching::Match.new(question, limits).context
    @at_hand = at_hand
  end

  # What a net catches now.
  # @param chosen [String] as `chosen` gives it
  # @return [Array<Hash>] catalogue rows
  def self.rows(chosen)
    Motor.where("part_no IN (#{chosen})").order(:part_no).core_rows
  end

  def rows = CatalogueNet.rows(chosen)

  # The part numbers that it catches, as SQL: the question, the limits and what is at hand alone
  # make it.
  def chosen = (near + certain).map { |one| "(#{one.to_sql})" }.join(" UNION ")

  private

  def phases = @context.place.phases

  # Those whose output is known by an index, the few whose is not beside them.
  # @return [Array<ActiveRecord::Relation>] of part numbers: only what is chosen is read in full
  def near
    [load.shaft_watts ? within(load.shaft_watts) : Motor.where(phases:), unmeasured].map { |scope| foremost(scope) }
  end

  def load = @load ||= Fenbo::Matching::Checks::Load.new(@context)

  def within(watts)
    Motor.where(phases:, output_w: Range.new(watts.low, watts.high))
  end

  # What the index cannot tell, and what may do though its output lies below.
  def unmeasured
    scope = Motor.where(UNMEASURED)
    scope = scope.or(Motor.where("service_factor > ?", load.class::SERVICE)) if load.serviced?
    scope.where(phases: [nil, phases])
  end

  def foremost(scope)
    scope
      .where(hopeless)
      .order(Arel.sql("#{obstacles} ASC, price_cents ASC NULLS LAST, part_no ASC"))
      .limit(MOST)
      .select(:part_no)
  end

  # What no work can mend is not read at all; what is not known is no reason.
  def hopeless
    @hopeless ||= conditions(final: true).map { |sql| "(#{sql}) IS NOT TRUE" }.join(" AND ")
  end

  # What another bracket, bushing or blade might mend is worth showing as a near miss.
  def obstacles
    @obstacles ||= ["0", *conditions(final: false).map { |sql| "COALESCE(#{sql}, false)::int" }].join(" + ")
  end

  def conditions(final:)
    Fenbo::Matching::Checks.narrowings(@context, final:).map { |term| NarrowingSql.of(term).to_sql }
  end

  # What the lists name counts however far off it is: why not this one is worth knowing.
  # What is on the van is judged even where much else is cheaper.
  def certain
    old = @context.old
    on_vans = Motor.where(part_no: @at_hand, phases:)
    return [on_vans.select(:part_no)] if old.part_no.blank?
    listed = Motor.where("cross_reference @> ARRAY[?]::text[]", old.part_no)
    same = Motor.where(part_no: [old.part_no, old.superseded_by].compact)
    [listed.or(same).or(on_vans).limit(LISTED + @at_hand.size).select(:part_no)]
  end
end
