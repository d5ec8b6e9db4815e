# frozen_string_literal: true

module Units
  # A unit as typed, with the number of its fans on each side.
  class Form < Shared::Form
    # Where a column's field has another name.
    FIELDS = {overload_low_a: :overload_low, overload_high_a: :overload_high, contactor_a: :contactor}.freeze

    def initialize(unit, params, user)
      super(params, system: user.unit_system)
      @unit = unit
    end

    def save
      @unit.assign_attributes(values)
      fans = Fenbo::Diagnosis::SIDES.to_h { |side| [side, whole(:"#{side}_fans", 0..12) || 0] }
      fault(:evaporator_fans, "A unit has at least one fan.") if fans.values.sum.zero?
      fault(:site, "Choose where it stands.") unless @unit.site
      fault(:ambient_high, "is colder than the coldest.") if upside_down?
      adopt(@unit, FIELDS)
      return false unless clean?
      Unit.transaction { @unit.save! && grow(fans) }
      true
    end

    private

    def values
      {
        site: Site.find_by(id: id(:site)),
        name: text(:name, longest: 120),
        family: params[:family].to_s,
        model: text(:model, longest: 80),
        serial: text(:serial, longest: 80),
        installed_year: whole(:installed_year, 1950..2100),
        refrigerant: text(:refrigerant, longest: 30),
        flammable:,
        wet: flag(:wet),
        belt: flag(:belt),
        setpoint_c: quantity(:setpoint, "box_temperature", was: @unit.setpoint_c),
        product: text(:product, longest: 200),
        product_limit_c: quantity(:product_limit, "box_temperature", was: @unit.product_limit_c),
        product_value_cents: cents(:product_value),
        drift_end_c: quantity(:drift_end, "box_temperature", was: @unit.drift_end_c),
        supply_volts: quantity(:supply_volts, "voltage", required: true),
        supply_phases: whole(:supply_phases, 1..3),
        supply_hertz: whole(:supply_hertz, 16..400),
        ambient_low_c: quantity(:ambient_low, "box_temperature", was: @unit.ambient_low_c),
        ambient_high_c: quantity(:ambient_high, "box_temperature", was: @unit.ambient_high_c),
        overload_low_a: quantity(:overload_low, "current", was: @unit.overload_low_a),
        overload_high_a: quantity(:overload_high, "current", was: @unit.overload_high_a),
        contactor_a: quantity(:contactor, "current", was: @unit.contactor_a),
        contactors: choice(:contactors, Fenbo::Diagnosis.rules["contactors"].keys),
        quirks: text(:quirks),
        **lock
      }
    end

    # Known by its name, else as it was answered; asked of a name that nobody knows.
    def flammable
      answered = {"1" => true, "0" => false}[params[:flammable].to_s]
      name = typed(:refrigerant)
      if answered.nil? && !name.empty? && Fenbo::Refrigerant::Group.of(name).nil?
        fault(:flammable, "“#{name[0, 30]}” is not known here: is it flammable?")
      end
      Fenbo::Refrigerant::Group.flammable?(name, answered:)
    end

    # Asked of what is typed alone: a unit noted before stays as it is until somebody looks.
    def upside_down?
      low, high = @unit.ambient_low_c, @unit.ambient_high_c
      low && high && high < low
    end

    # Positions are only added: one with a history is never taken away.
    def grow(fans)
      fans.each do |side, number|
        (1..number).each { |one| FanPosition.find_or_create_by!(unit: @unit, side:, number: one) }
      end
    end
  end
end
