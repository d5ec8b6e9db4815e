# frozen_string_literal: true

module Units
  # A unit as typed, with the number of its fans on each side.
  class Form
    # Where a column's field has another name.
    FIELDS = {overload_low_a: :overload_low, overload_high_a: :overload_high, contactor_a: :contactor}.freeze

    attr_reader :faults

    def initialize(unit, params, user)
      @unit = unit
      @params = params
      @typed = Shared::Typed.new(params, system: user.unit_system)
      @faults = @typed.faults
    end

    def save
      @unit.assign_attributes(values)
      fans = Fenbo::Diagnosis::SIDES.to_h { |side| [side, @typed.whole(:"#{side}_fans", 0..12) || 0] }
      @typed.fault(:evaporator_fans, "A unit has at least one fan.") if fans.values.sum.zero?
      @typed.fault(:site, "Choose where it stands.") unless @unit.site
      @unit.validate
      @unit.errors.each { |error| @typed.fault(FIELDS.fetch(error.attribute, error.attribute), error.message) }
      return false unless @typed.clean?
      Unit.transaction { @unit.save! && grow(fans) }
      true
    end

    private

    def values
      {
        site: Site.find_by(id: @params[:site].to_s[/\A\d{1,9}\z/]),
        name: @typed.text(:name, longest: 120),
        family: @params[:family].to_s,
        model: @typed.text(:model, longest: 80),
        serial: @typed.text(:serial, longest: 80),
        installed_year: @typed.whole(:installed_year, 1950..2100),
        refrigerant: @typed.text(:refrigerant, longest: 30),
        flammable: @typed.flag(:flammable),
        wet: @typed.flag(:wet),
        belt: @typed.flag(:belt),
        setpoint_c: @typed.quantity(:setpoint, "temperature"),
        product: @typed.text(:product, longest: 200),
        product_limit_c: @typed.quantity(:product_limit, "temperature"),
        product_value_cents: @typed.cents(:product_value),
        drift_end_c: @typed.quantity(:drift_end, "temperature"),
        supply_volts: @typed.quantity(:supply_volts, "voltage", required: true),
        supply_phases: @typed.whole(:supply_phases, 1..3),
        supply_hertz: @typed.whole(:supply_hertz, 16..400),
        ambient_low_c: @typed.quantity(:ambient_low, "temperature"),
        ambient_high_c: @typed.quantity(:ambient_high, "temperature"),
        overload_low_a: @typed.quantity(:overload_low, "current"),
        overload_high_a: @typed.quantity(:overload_high, "current"),
        contactor_a: @typed.quantity(:contactor, "current"),
        quirks: @typed.text(:quirks),
        **lock
      }
    end

    def lock
      @params[:lock_version].to_s.match?(/\A\d{1,9}\z/) ? {lock_version: @params[:lock_version].to_i} : {}
    end

    # Positions are only added: one with a history is never taken away.
    def grow(fans)
      fans.each do |side, number|
        (1..number).each { |one| FanPosition.find_or_create_by!(unit: @unit, side:, number: one) }
      end
    end
  end
end
