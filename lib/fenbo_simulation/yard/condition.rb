# frozen_string_literal: true

module FenboSimulation
  module Yard
    # What is the case in a unit with its faults: one condition follows from another, from
    # the feed over current, turning and air to ice and cold. Words and levels (0 to 1), no
    # equations.
    class Condition
      include Cold

      SMALL_CIRCUIT = %w[household_top_freezer household_bottom_freezer household_side_by_side household_machine_bay
        reach_in display_case].freeze

      attr_reader :place, :faults

      def initialize(place, faults, dice)
        @place = place
        @faults = faults
        @dice = dice
        @level = faults.to_h { |fault| [fault, dice.between(0.15, 1)] }
        @mode = {}
      end

      def fault?(id) = @level.key?(id)

      # How bad a fault is, nought where there is none.
      def level(id) = @level.fetch(id, 0.0)

      # A drawn property that stays as it is once looked at.
      def fixed(name) = @mode.fetch(name) { @mode[name] = yield }

      def grounded_trip?
        fault?("winding_grounded") && fixed(:trip) { @dice.chance?(0.65) }
      end

      # The whole unit is without power: its own circuit, or a motor that trips the common one.
      def unit_dead?
        fault?("no_supply") || (grounded_trip? && SMALL_CIRCUIT.include?(place.family) && fixed(:all) {
          @dice.chance?(0.6)
        })
      end

      def leg_lost?
        fault?("phase_lost") || (place.three_phase? && contactor == "pole")
      end

      # One leg of the motor's own winding is open.
      def leg_open?
        place.three_phase? && fault?("winding_open") && fixed(:leg) { @dice.chance?(0.6) }
      end

      def contactor
        return "sound" unless fault?("contactor_failed")
        fixed(:contactor) { @dice.pick("coil" => 3, "pole" => 4, "chatter" => 3) }
      end

      def off_by_setting?
        fault?("setpoint_wrong") && fixed(:off) { @dice.chance?(0.4) }
      end

      def asked_for? = !fault?("fan_not_called") && !off_by_setting?

      def fed?
        return false if unit_dead? || grounded_trip? || !asked_for? || fault?("fan_control_failed")
        return false if fault?("door_switch_failed") || contactor == "coil"
        !(contactor == "pole" && !place.three_phase?)
      end

      def connector_open?
        fault?("connection_burnt") && fixed(:open) { @dice.chance?(0.5) }
      end

      # What arrives at the motor: none, low, right, high.
      def feed
        return "none" if !fed? || connector_open?
        if fault?("supply_out_of_range")
          return fixed(:range) { @dice.pick("low" => 3, "high" => 1) }
        end
        return "low" if fault?("connection_burnt") && level("connection_burnt") > 0.5
        return "low" if contactor == "chatter" && level("contactor_failed") > 0.6
        "right"
      end

      def wedged? = fault?("blade_rubbing") && level("blade_rubbing") > 0.82

      def frozen_fast? = fault?("blade_iced") && level("blade_iced") > 0.6

      def held? = fault?("bearing_seized") || wedged? || frozen_fast?

      def module_way
        fixed(:module) { @dice.pick("dead" => 70, "twitch" => 15, "surge" => 15) }
      end

      # turns, limps, trembles, stands (current flows), dead (none)
      def motion = fixed(:motion) { moved }

      def turning? = %w[turns limps].include?(motion)

      # The current, as a clamp would see it in words: none, little, usual, much, locked.
      def current
        case motion
        when "dead" then (fault?("ec_module_failed") && feed != "none" && @dice.chance?(0.15)) ? "little" : "none"
        when "stands", "trembles" then stalled_current
        else turning_current
        end
      end

      def air
        return 0.0 unless turning?
        own = (motion == "limps") ? 0.6 : 1.0
        own *= 1 - 0.85 * level("blade_loose") if fault?("blade_loose")
        own *= 1 - 0.5 * level("blade_damaged") - 0.55 * level("blade_fouled")
        own *= 0.3 if fault?("rotation_reversed")
        own *= 0.75 if fault?("blade_wrong") && !blade_too_big?
        own * through
      end

      # What the coil behind lets through.
      def through
        share = 1 - 0.8 * level("airflow_blocked_by_load")
        if place.cold?
          share *= 1 - 0.85 * level("evaporator_dirty")
          share *= 0.25 if ice == "all"
        else
          share *= 1 - 0.75 * level("condenser_dirty")
        end
        share
      end

      def blade_too_big? = fixed(:big) { @dice.chance?(0.5) }

      # Whether the fans beside it stand with it.
      def beside_stand?
        fixed(:beside) do
          next true if unit_dead? || leg_lost? && fault?("phase_lost") || off_by_setting?
          next @dice.chance?(0.6) if %w[fan_control_failed contactor_failed fan_not_called].any? { |id|
            fault?(id)
          } && !turning?
          fault?("door_switch_failed")
        end
      end

      private

      def moved
        return "dead" if feed == "none" || (fault?("winding_open") && !leg_open?)
        if fault?("ec_module_failed")
          return {"dead" => "dead", "twitch" => "trembles", "surge" => "limps"}[module_way]
        end
        if held?
          return "dead" if place.wound? && @dice.chance?(0.13)
          return (place.motor == "ec") ? @dice.pick("stands" => 5, "trembles" => 2,
            "dead" => 3) : @dice.pick("stands" => 7, "trembles" => 3)
        end
        return @dice.pick("stands" => 6, "trembles" => 3, "limps" => 1) if leg_lost? || leg_open?
        return @dice.pick("trembles" => 5, "stands" => 4, "limps" => 1) if fault?("capacitor_open")
        strength = 1.0 - 0.55 * level("capacitor_weak") - 0.6 * level("winding_shorted")
        strength *= 0.72 if feed == "low"
        strength *= 0.6 if fault?("motor_wrong") && wrong_way == "tap"
        drag = 0.45 * level("bearing_worn") + 0.35 * level("blade_rubbing") + 0.4 * level("blade_iced")
        drag += 0.25 if fault?("blade_wrong") && blade_too_big?
        left = strength - drag * 0.6
        return "turns" if left > 0.68
        (left > 0.38) ? "limps" : @dice.pick("stands" => 3, "trembles" => 1, "dead" => 1)
      end

      def wrong_way
        fixed(:wrong) { @dice.pick("tap" => 3, "big" => 4, "small" => 3) }
      end

      def stalled_current
        return @dice.pick("little" => 6, "none" => 3, "usual" => 1) if place.motor == "ec"
        @dice.pick("locked" => 7, "much" => 3)
      end

      def turning_current
        return "much" if fault?("winding_shorted") && level("winding_shorted") > 0.25
        return %w[much little usual][@dice.pick(0 => 4, 1 => 3, 2 => 2)] if fault?("motor_wrong")
        return blade_too_big? ? "much" : "little" if fault?("blade_wrong")
        return "little" if fault?("blade_loose") && level("blade_loose") > 0.35
        return "little" if fault?("blade_damaged") && level("blade_damaged") > 0.6
        if fault?("rotation_reversed") || fault?("capacitor_weak")
          return @dice.pick("much" => 4, "little" => 3,
            "usual" => 3)
        end
        heavy = level("bearing_worn") + level("blade_rubbing") + level("blade_iced") + 0.6 * level("blade_fouled")
        heavy += 0.5 if feed == "low" || fault?("supply_unbalanced")
        (heavy > 0.62) ? "much" : "usual"
      end
    end
  end
end
