# frozen_string_literal: true

module FenboSimulation
  module Yard
    # How a unit came to be called about: what gave way first, and what came with it, because
    # it brought it, came out of it or was neglected alike.
    class History
      # [fault, how often, where it can be]
      FIRST = [
        ["bearing_worn", 12, :any], ["bearing_seized", 10, :any], ["winding_open", 9, :wound],
        ["winding_shorted", 4, :wound], ["winding_grounded", 2.5, :wound], ["ec_module_failed", 17, :ec],
        ["capacitor_weak", 8, :psc], ["capacitor_open", 6, :psc], ["blade_loose", 3, :any],
        ["blade_damaged", 3.5, :any], ["blade_rubbing", 4, :any], ["blade_iced", 4, :cold],
        ["blade_fouled", 3.5, :any], ["blade_wrong", 0.8, :any], ["rotation_reversed", 0.7, :turnable],
        ["mount_loose", 3.5, :any], ["motor_wrong", 0.8, :any], ["connection_burnt", 4.5, :any],
        ["fan_not_called", 6, :any], ["fan_control_failed", 4, :any], ["contactor_failed", 5, :contactor],
        ["door_switch_failed", 4, :door_switch], ["no_supply", 3.5, :any], ["supply_out_of_range", 1.8, :any],
        ["phase_lost", 3.5, :three_phase], ["supply_unbalanced", 2, :three_phase], ["defrost_failed", 9, :defrost],
        ["drain_blocked", 4, :defrost], ["evaporator_dirty", 6, :cold], ["condenser_dirty", 13, :hot],
        ["condenser_dirty", 3, :cold_one_piece], ["charge_low", 4, :any], ["door_seal_leaking", 5, :cold],
        ["airflow_blocked_by_load", 4, :cold], ["setpoint_wrong", 3, :any], ["damper_stuck", 4, :damper],
        ["compressor_fault", 4, :any]
      ].freeze
      # What follows or lies beside: first => {second => how often in a hundred}.
      BESIDE = {
        "bearing_worn" => {"mount_loose" => 28, "blade_rubbing" => 9, "blade_fouled" => 10},
        "bearing_seized" => {"winding_open" => 9, "connection_burnt" => 4},
        "winding_open" => {"connection_burnt" => 10, "condenser_dirty" => 14, "evaporator_dirty" => 5},
        "winding_shorted" => {"connection_burnt" => 10, "condenser_dirty" => 14, "capacitor_weak" => 12},
        "winding_grounded" => {"drain_blocked" => 6, "connection_burnt" => 5},
        "ec_module_failed" => {"connection_burnt" => 6, "condenser_dirty" => 9},
        "capacitor_weak" => {"condenser_dirty" => 12, "contactor_failed" => 7, "bearing_worn" => 7},
        "capacitor_open" => {"condenser_dirty" => 8, "contactor_failed" => 6},
        "condenser_dirty" => {"blade_fouled" => 27, "capacitor_weak" => 9, "bearing_worn" => 8, "winding_shorted" => 3},
        "evaporator_dirty" => {"blade_iced" => 7, "drain_blocked" => 8},
        "blade_fouled" => {"condenser_dirty" => 26, "bearing_worn" => 12, "evaporator_dirty" => 9},
        "defrost_failed" => {"blade_iced" => 28, "drain_blocked" => 9},
        "door_seal_leaking" => {"blade_iced" => 27, "defrost_failed" => 8},
        "drain_blocked" => {"blade_iced" => 12, "defrost_failed" => 8},
        "blade_iced" => {"door_seal_leaking" => 22, "defrost_failed" => 18, "drain_blocked" => 9},
        "contactor_failed" => {"connection_burnt" => 11, "capacitor_weak" => 8, "phase_lost" => 15},
        "supply_unbalanced" => {"winding_shorted" => 9}, "phase_lost" => {"winding_shorted" => 9},
        "mount_loose" => {"blade_rubbing" => 20, "bearing_worn" => 16},
        "blade_rubbing" => {"mount_loose" => 18, "bearing_worn" => 9},
        "blade_damaged" => {"condenser_dirty" => 12, "evaporator_dirty" => 9, "drain_blocked" => 6,
                            "bearing_worn" => 8},
        "blade_loose" => {"bearing_worn" => 6, "blade_damaged" => 5}, "connection_burnt" => {"contactor_failed" => 8},
        "motor_wrong" => {"blade_rubbing" => 7}, "blade_wrong" => {"blade_rubbing" => 6}
      }.freeze
      # Nothing to do with each other, but both there, in a hundred jobs.
      CHANCE_MEETING = 6
      NEVER = [
        %w[bearing_worn bearing_seized], %w[winding_open winding_shorted winding_grounded ec_module_failed],
        %w[capacitor_weak capacitor_open], %w[charge_low compressor_fault], %w[blade_wrong motor_wrong],
        %w[no_supply fan_not_called fan_control_failed setpoint_wrong door_switch_failed phase_lost
          supply_unbalanced supply_out_of_range], %w[blade_iced blade_damaged blade_loose],
        %w[contactor_failed no_supply fan_not_called fan_control_failed]
      ].freeze
      AFTER_WORK = {"blade_rubbing" => 5, "blade_wrong" => 22, "motor_wrong" => 22, "rotation_reversed" => 28,
                    "blade_loose" => 3, "connection_burnt" => 2.5, "mount_loose" => 2}.freeze
      AGEING = %w[bearing_worn bearing_seized capacitor_weak mount_loose contactor_failed connection_burnt
        door_seal_leaking compressor_fault].freeze
      NOTHING = 5.5

      def initialize(place, dice)
        @place = place
        @dice = dice
      end

      # @return [Array<String>] none to three ids, in the order they arose
      def faults
        return [] if @dice.chance?(NOTHING / 100)
        all = [@dice.pick(firsts)]
        while all.size < 3
          second = joining(all)
          break unless second
          all << second
        end
        all
      end

      private

      def firsts
        FIRST.each_with_object(Hash.new(0.0)) do |(fault, rate, where), table|
          next unless there?(where)
          rate *= AFTER_WORK.fetch(fault, 1) if @place.recent_work
          rate *= @place.old? ? 1.5 : 0.8 if AGEING.include?(fault)
          table[fault] += rate
        end
      end

      def there?(where)
        case where
        when :any then true
        when :wound then @place.wound?
        when :ec, :psc then @place.motor == where.to_s
        when :three_phase then @place.three_phase?
        when :turnable then %w[shaded_pole psc three_phase].include?(@place.motor)
        when :cold then @place.cold?
        when :hot then !@place.cold?
        when :cold_one_piece then @place.cold? && @place.one_piece?
        when :contactor then @place.contactor?
        when :defrost then @place.cold?
        when :door_switch then @place.cold? && (@place.household? || @place.family == "reach_in")
        when :damper then @place.cold? && @place.household?
        end
      end

      def joining(all)
        age = @place.old? ? 1.3 : 0.85
        BESIDE.fetch(all.last, {}).each do |fault, share|
          return fault if may?(all, fault) && @dice.chance?(share * age / 100)
        end
        return nil unless all.one? && @dice.chance?(CHANCE_MEETING / 100.0)
        stranger = @dice.pick(firsts)
        stranger if may?(all, stranger)
      end

      def may?(all, fault)
        firsts.key?(fault) && !all.include?(fault) &&
          all.none? { |one| NEVER.any? { |group| group.include?(one) && group.include?(fault) } }
      end
    end
  end
end
