# frozen_string_literal: true

module Fenbo
  module JobFile
    # One refrigeration unit with its fans. Temperatures in °C, supply in V and Hz,
    # currents in A, money in whole cents; `features` by the work plan's own ids; `contactors`
    # shared by all fans, or each fan its own. `circuits` with their refrigerant ledgers, nil in
    # files of before there were any.
    Unit = Shape.of(
      uid: String, name: String, family: String, model: Shape.maybe(String), serial: Shape.maybe(String),
      installed_year: Shape.maybe(Integer), refrigerant: Shape.maybe(String), flammable: Shape::FLAG,
      setpoint_c: Shape.maybe(Float), product: Shape.maybe(String), product_limit_c: Shape.maybe(Float),
      product_value_cents: Shape.maybe(Integer), drift_end_c: Shape.maybe(Float), supply_volts: Float,
      supply_phases: Integer, supply_hertz: Float, ambient_low_c: Shape.maybe(Float),
      ambient_high_c: Shape.maybe(Float), wet: Shape::FLAG, belt: Shape::FLAG, overload_low_a: Shape.maybe(Float),
      overload_high_a: Shape.maybe(Float), contactor_a: Shape.maybe(Float), contactors: Shape.maybe(String),
      features: Hash,
      quirks: Shape.maybe(String), site: Site, fans: [Fan], circuits: Shape.maybe([Circuit])
    ) do
      def family_label = Knowledge.table("families")[family]["label"]

      # What its overload can be set to, [low, high]; nil where not noted.
      def overload_amps
        overload_low_a && overload_high_a && [overload_low_a, overload_high_a]
      end

      # The side its drawing shows.
      def hero_side
        fans.first&.side || Knowledge.table("families")[family]["sides"].first
      end

      # Leaks found and not yet seen to hold, each with its circuit.
      # @return [Array<Array(Circuit, LeakSearch)>]
      def open_leaks
        circuits.to_a.flat_map { |circuit| circuit.open_leaks.map { |leak| [circuit, leak] } }
      end

      def fan(key) = fans.find { |one| one.key == key }

      # What one of its fans is called; a one-piece unit has a first fan on either side.
      def called(fan) = two_sided? ? fan.long_label.downcase : fan.label

      # Where something was recorded: "Fan 2", "Condenser fan 1" or "Unit".
      # @param entry [Entry]
      def place_of(entry)
        entry.fan ? called(fan(entry.fan)).capitalize : "Unit"
      end

      # Whether its fans sit on both sides of it.
      def two_sided? = fans.map(&:side).uniq.size > 1
    end
  end
end
