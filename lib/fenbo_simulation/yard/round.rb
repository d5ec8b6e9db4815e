# frozen_string_literal: true

module FenboSimulation
  module Yard
    # The round of looks and readings on one condition: a method a question.
    class Round
      include Ears
      include DeadTests

      def initialize(condition, dice)
        @is = condition
        @dice = dice
      end

      def fan_motion
        case @is.motion
        when "turns" then @is.fault?("rotation_reversed") ? "reversed" : surging("normal")
        when "limps" then surging(@dice.chance?(0.78) ? "slow" : "normal")
        when "trembles" then "twitching"
        else "stopped"
        end
      end

      def airflow
        air = @is.air + @dice.between(-0.06, 0.06)
        return "none" if air < 0.12
        (air < 0.7) ? "weak" : "normal"
      end

      def blade_cleanliness
        return "caked" if @is.fault?("blade_fouled") && @dice.chance?(0.95)
        return "cleaner_than_surroundings" if @is.level("evaporator_dirty") > 0.4 && @dice.chance?(0.55)
        stood = !@is.turning? && @is.place.hours > 40 && @dice.chance?(0.5)
        stood ? "cleaner_than_surroundings" : "like_surroundings"
      end

      def blade_state
        return "iced" if @is.fault?("blade_iced")
        return "cracked_or_missing" if @is.fault?("blade_damaged")
        return "touching" if @is.fault?("blade_rubbing")
        return "loose" if @is.fault?("blade_loose") && @dice.chance?(0.85)
        (@is.fault?("mount_loose") && @dice.chance?(0.15)) ? "touching" : "sound"
      end

      def box_temperature
        over = @is.warmth
        return "too_cold" if over < -2
        return "normal" if over < 2
        (over < 8) ? "warm" : "very_warm"
      end

      def unit_alive
        return "all_dead" if @is.unit_dead?
        (@is.off_by_setting? && @dice.chance?(0.25)) ? "all_dead" : "alive"
      end

      def compartments
        return "fresh_warm_freezer_cold" if @is.damper == "closed"
        return "both_normal" if @is.warmth < 2.5
        return "both_warm" if !@is.refrigerating? || @is.fault?("condenser_dirty") || @is.level("charge_low") > 0.5
        @is.place.cold? ? @dice.pick("fresh_warm_freezer_cold" => 7, "both_warm" => 3) : "both_warm"
      end

      def water_present = @is.water? ? "yes" : "no"

      def frost_pattern
        name = {"all" => "even_blocked", "ring" => "fan_ring_ice", "bottom" => "bottom_ice", "feed" => "feed_end_only",
                "door" => "near_door", "behind" => "behind_one_fan", "bare" => "clear"}.fetch(@is.ice, "even_light")
        (name == "even_light" && @dice.chance?(0.12)) ? "clear" : name
      end

      def coil_through_light
        return "iced" if @is.ice == "all"
        return "open" unless @is.fault?("evaporator_dirty")
        (@is.level("evaporator_dirty") > 0.6) ? "blocked_inside" : "dirty"
      end

      def condenser_face
        return (@is.level("condenser_dirty") > 0.6) ? "blocked" : "dirty" if @is.fault?("condenser_dirty")
        @dice.chance?(0.2) ? "dirty" : "clean"
      end

      def load_blocking_air = yes(@is.fault?("airflow_blocked_by_load"), 0.04)

      def door_seal
        (@is.fault?("door_seal_leaking") || @dice.chance?(0.06)) ? "leaks" : "good"
      end

      def sight_glass
        (@is.level("charge_low") > 0.2 || @dice.chance?(0.05)) ? "flashing" : "clear"
      end

      def setting = @is.fault?("setpoint_wrong") ? "wrong_or_off" : "right"

      def control_call
        return "not_calling" unless @is.asked_for?
        return @dice.among(%w[not_calling should_call_but_does_not calling]) if @is.unit_dead?
        @is.fault?("fan_control_failed") ? "should_call_but_does_not" : "calling"
      end

      def door_switch_held = @is.turning? ? "fan_runs" : "no_change"

      def voltage_at_motor
        return "in_range" if @is.place.motor == "ec" && !@is.asked_for? && !@is.unit_dead? && @dice.chance?(0.7)
        {"none" => "absent", "right" => "in_range"}.fetch(@is.feed, @is.feed)
      end

      def voltage_balance
        return "phase_missing" if @is.leg_lost?
        @is.fault?("supply_unbalanced") ? "unbalanced" : "balanced"
      end

      def amps
        {"none" => "none", "little" => "under", "usual" => "within", "much" => "over",
         "locked" => "locked"}[@is.current]
      end

      def amps_beside_neighbours
        return (@is.current == "none") ? "alike" : "higher" if @is.beside_stand?
        return "alike" if common_supply?
        {"none" => "lower", "little" => "lower", "usual" => "alike"}.fetch(@is.current, "higher")
      end

      def motor_heat
        level = {"none" => 0.1, "little" => 0.3, "usual" => 0.4, "much" => 0.75, "locked" => 0.95}[@is.current]
        level += 0.2 if @is.turning? && @is.air < 0.5
        level += 0.3 if @is.fault?("winding_shorted")
        level += @dice.between(-0.25, 0.25)
        return "very_hot" if level > 0.95
        (level > 0.55) ? "hot" : "normal"
      end

      def terminal_temperature
        return "even" if @is.current == "none"
        hot = (@is.fault?("connection_burnt") && !@is.connector_open?) || @is.contactor == "chatter"
        (hot || (@is.contactor == "pole" && @dice.chance?(0.5))) ? "one_hot" : "even"
      end

      def discharge_air_difference
        return "near_zero_coil_warm" if !@is.refrigerating? || @is.level("charge_low") > 0.75
        if @is.air + (@is.beside_stand? ? 0 : 0.8 * @is.place.neighbours) < 0.3
          "near_zero_coil_cold"
        else
          "normal"
        end
      end

      private

      def yes(there, anyway) = (there || @dice.chance?(anyway)) ? "yes" : "no"

      def common_supply?
        %w[supply_out_of_range supply_unbalanced].any? { |id| @is.fault?(id) } && @is.faults.one?
      end

      def surging(otherwise)
        return "intermittent" if @is.fault?("ec_module_failed") && @is.turning?
        loose = @is.fault?("connection_burnt") && @dice.chance?(0.6)
        hot = @is.level("winding_shorted") > 0.6 && @dice.chance?(0.4)
        (loose || hot || @is.contactor == "chatter") ? "intermittent" : otherwise
      end
    end
  end
end
