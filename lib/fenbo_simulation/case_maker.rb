# frozen_string_literal: true

module FenboSimulation
  # Draws rigs as a dispatcher would meet them: equipment, age, and faults from
  # how parts wear in their surroundings. A rig nobody would call about is drawn
  # again.
  class CaseMaker
    # How often a family is called about, with the motors met in it.
    EQUIPMENT = [
      ["household_top_freezer", "evaporator", 8, {"shaded_pole" => 2, "ec" => 3}, 0..0],
      ["household_bottom_freezer", "evaporator", 10, {"ec" => 4, "shaded_pole" => 1}, 0..0],
      ["household_side_by_side", "evaporator", 9, {"ec" => 3, "shaded_pole" => 2}, 0..0],
      ["household_machine_bay", "condenser", 10, {"shaded_pole" => 2, "ec" => 2, "psc" => 1}, 0..0],
      ["reach_in", "evaporator", 10, {"shaded_pole" => 3, "ec" => 2}, 0..1],
      ["reach_in", "condenser", 6, {"shaded_pole" => 3, "ec" => 2}, 0..0],
      ["display_case", "evaporator", 8, {"shaded_pole" => 2, "ec" => 3}, 0..3],
      ["display_case", "condenser", 5, {"shaded_pole" => 3, "ec" => 1}, 0..1],
      ["walk_in_cooler", "evaporator", 16, {"shaded_pole" => 4, "psc" => 2, "ec" => 3}, 0..5],
      ["remote_condenser", "condenser", 12, {"psc" => 4, "three_phase" => 2, "split_phase" => 1}, 0..1],
      ["fan_bank_condenser", "condenser", 8, {"three_phase" => 1}, 1..7],
      ["rack_condenser", "condenser", 4, {"ec" => 1}, 2..7]
    ].freeze

    # Failures in a thousand fans and years, before surroundings: [rate, how it
    # grows with age, factor in cold wet air, factor outdoors or in kitchen dirt].
    WEAR = {
      "bearing_worn" => [22, 1.2, 1.2, 1.2],
      "bearing_seized" => [18, 1.1, 1.3, 1.0],
      "winding_open" => [14, 0.5, 1.2, 1.0],
      "winding_shorted" => [6, 0.5, 1.2, 1.1],
      "winding_grounded" => [4, 0.6, 1.6, 1.0],
      "ec_module_failed" => [28, 0.4, 1.1, 1.1],
      "capacitor_weak" => [16, 0.9, 0.9, 1.2],
      "capacitor_open" => [10, 0.8, 0.9, 1.2],
      "blade_loose" => [4, 0.4, 1.0, 1.2],
      "blade_damaged" => [5, 0.4, 1.1, 1.4],
      "blade_rubbing" => [6, 0.2, 1.1, 1.0],
      "blade_iced" => [14, 0.0, 1.0, 0.0],
      "blade_fouled" => [6, 0.4, 0.5, 2.2],
      "blade_wrong" => [1.5, 0.0, 1.0, 1.0],
      "rotation_reversed" => [1, 0.0, 1.0, 1.0],
      "mount_loose" => [5, 0.7, 1.1, 1.1],
      "motor_wrong" => [1.5, 0.0, 1.0, 1.0],
      "connection_burnt" => [8, 0.7, 1.3, 1.1],
      "fan_not_called" => [16, 0.0, 1.0, 0.8],
      "fan_control_failed" => [8, 0.4, 1.0, 1.0],
      "contactor_failed" => [8, 0.8, 1.0, 1.2],
      "door_switch_failed" => [8, 0.6, 1.0, 1.0],
      "no_supply" => [7, 0.0, 1.0, 1.0],
      "supply_out_of_range" => [3, 0.0, 1.0, 1.0],
      "phase_lost" => [5, 0.0, 1.0, 1.0],
      "supply_unbalanced" => [3, 0.0, 1.0, 1.0],
      "defrost_failed" => [18, 0.5, 1.0, 0.0],
      "drain_blocked" => [9, 0.3, 1.0, 0.0],
      "evaporator_dirty" => [11, 0.5, 1.0, 1.0],
      "condenser_dirty" => [26, 0.2, 1.0, 1.2],
      "charge_low" => [8, 0.5, 1.0, 1.0],
      "door_seal_leaking" => [9, 0.8, 1.0, 1.0],
      "airflow_blocked_by_load" => [8, 0.0, 1.0, 1.0],
      "setpoint_wrong" => [6, 0.0, 1.0, 1.0],
      "damper_stuck" => [8, 0.5, 1.0, 1.0],
      "compressor_fault" => [8, 0.9, 1.0, 1.0]
    }.freeze
    AFTER_WORK = {
      "blade_rubbing" => 4,
      "blade_wrong" => 25,
      "rotation_reversed" => 30,
      "motor_wrong" => 25,
      "blade_loose" => 3,
      "connection_burnt" => 3,
      "mount_loose" => 3
    }.freeze
    RECENT_WORK = 0.12
    # A fault that has nothing to do with the first, in so many jobs.
    BY_CHANCE = 0.07
    # What a fault brings or comes of, and how often in units of middling age.
    COMPANIONS = {
      "bearing_worn" => {"mount_loose" => 0.28, "blade_rubbing" => 0.08, "blade_fouled" => 0.1},
      "bearing_seized" => {"winding_open" => 0.1},
      "winding_open" => {"connection_burnt" => 0.1, "condenser_dirty" => 0.15},
      "winding_shorted" => {"connection_burnt" => 0.1, "condenser_dirty" => 0.15, "capacitor_weak" => 0.12},
      "ec_module_failed" => {"condenser_dirty" => 0.1, "connection_burnt" => 0.06},
      "condenser_dirty" => {"blade_fouled" => 0.3, "capacitor_weak" => 0.1},
      "blade_fouled" => {"condenser_dirty" => 0.3, "bearing_worn" => 0.1},
      "defrost_failed" => {"blade_iced" => 0.3, "drain_blocked" => 0.1},
      "door_seal_leaking" => {"blade_iced" => 0.28, "defrost_failed" => 0.08},
      "drain_blocked" => {"blade_iced" => 0.12, "defrost_failed" => 0.08},
      "blade_iced" => {"door_seal_leaking" => 0.25, "defrost_failed" => 0.15},
      "contactor_failed" => {"connection_burnt" => 0.1, "capacitor_weak" => 0.1, "phase_lost" => 0.12},
      "supply_unbalanced" => {"winding_shorted" => 0.1},
      "mount_loose" => {"blade_rubbing" => 0.2, "bearing_worn" => 0.15},
      "blade_damaged" => {"condenser_dirty" => 0.1, "evaporator_dirty" => 0.1},
      "capacitor_weak" => {"condenser_dirty" => 0.12, "bearing_worn" => 0.06}
    }.freeze
    # Callers are now and then wrong: nothing is the matter.
    NOTHING = 0.055

    def initialize(random)
      @random = random
    end

    # @return [Observer] of a rig with something to complain of: what can be noticed
    #   without tools, a fan that stands, limps or is heard, a warm or too cold box,
    #   ice, water, little air
    def draw
      loop do
        observer = Observer.new(attempt, @random)
        return observer if observer.rig.faults.empty? || observer.symptoms.any?
      end
    end

    private

    def attempt
      family, side, _, motors, others = weighted(EQUIPMENT) { |row| row[2] }
      motor = weighted(motors.to_a, &:last).first
      age = 15 * @random.rand**1.3
      recent_work = @random.rand < RECENT_WORK
      equipment = Fenbo::Diagnosis::Equipment.new(family:, side:, motor:)
      neighbours = others.begin + (others.size * @random.rand).to_i
      Rig.new(
        family:,
        side:,
        motor:,
        age:,
        neighbours:,
        recent_work:,
        spread: @random,
        faults: faults(equipment, age, recent_work)
      )
    end

    def faults(equipment, age, recent_work)
      return [] if @random.rand < NOTHING
      rates = hazards(equipment, age, recent_work)
      all = [weighted(rates.to_a, &:last).first]
      2.times { all << (come_along(all, rates, age) || break) }
      all
    end

    # What came with the latest fault, more with age, or by chance beside the first.
    def come_along(all, rates, age)
      open = rates.reject { |fault, _| all.any? { |one| one == fault || excludes?(one, fault) } }
      growth = 0.7 + age / 20.0
      brought = COMPANIONS.fetch(all.last, {}).find { |fault, share| open.key?(fault) && @random.rand < share * growth }
      return brought.first if brought
      weighted(open.to_a, &:last).first if all.one? && @random.rand < BY_CHANCE
    end

    def hazards(equipment, age, recent_work)
      cold = equipment.side == "evaporator"
      dirty = equipment.side == "condenser"
      WEAR
        .filter_map do |fault, (rate, growth, in_cold, in_dirt)|
          next unless equipment.cause?(Fenbo::Diagnosis::Cause[fault])
          rate *= (0.35 + age / 8.0)**growth * (cold ? in_cold : 1) * (dirty ? in_dirt : 1)
          rate *= AFTER_WORK.fetch(fault, 1) if recent_work
          [fault, rate] if rate.positive?
        end
        .to_h
    end

    # Two at once that are one and the same part, or where one hides the other
    # for good.
    PARTS = [
      %w[bearing_worn bearing_seized],
      %w[winding_open winding_shorted winding_grounded],
      %w[capacitor_weak capacitor_open],
      %w[blade_wrong motor_wrong],
      %w[
        no_supply supply_out_of_range phase_lost supply_unbalanced fan_not_called fan_control_failed
        setpoint_wrong contactor_failed door_switch_failed
      ],
      %w[charge_low compressor_fault],
      %w[blade_iced blade_damaged blade_loose blade_rubbing]
    ].freeze
    def excludes?(one, other)
      PARTS.any? { |part| part.include?(one) && part.include?(other) }
    end

    def weighted(rows)
      at = @random.rand * rows.sum { |row| yield(row) }
      rows.find { |row| (at -= yield(row)) < 0 } || rows.last
    end
  end
end
