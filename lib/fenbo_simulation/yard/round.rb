# frozen_string_literal: true

module FenboSimulation
  module Yard
    # The round of looks and readings on one condition: a method a question.
    class Round
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

      def noise
        return "chattering" if chatters?
        return hums? ? "hum_not_turning" : "silent" unless @is.turning?
        sounds = heard
        return "quiet_normal" if sounds.empty?
        confused(sounds.max_by { |_, level| level + @dice.between(0, 0.25) }.first)
      end

      def noise_with_fan_disconnected
        (@is.turning? && heard.any?) ? "stops" : "continues"
      end

      def sound_recording
        return hums? ? "hum" : "silent" unless @is.turning?
        return "unclear" if @dice.chance?(0.1)
        return "chatter" if chatters?
        kind = heard.max_by { |_, level| level + @dice.between(0, 0.15) }&.first
        {"grinding" => "bearing", "squealing" => @dice.chance?(0.6) ? "bearing" : "healthy", "ticking" => "strike",
         "scraping" => "scrape", "rumbling" => "imbalance", "rattling" => "imbalance"}.fetch(kind, "healthy")
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

      def forced_defrost
        (@is.fault?("defrost_failed") || @is.unit_dead?) ? "no_heat" : "heats"
      end

      def spin_by_hand
        return "seized" if @is.held? && @dice.chance?(0.92)
        return "stiff" if @is.held?
        wear = @is.level("bearing_worn")
        return @dice.pick("gritty" => 6, "stiff" => 4) if wear > 0.3 || (wear.positive? && @dice.chance?(0.4))
        tight = @is.level("blade_rubbing") > 0.35 || @is.level("blade_iced") > 0.3
        tight ? "stiff" : "free"
      end

      def shaft_play
        (@is.level("bearing_worn") > 0.4 || (@is.fault?("bearing_seized") && @dice.chance?(0.3))) ? "rocks" : "none"
      end

      def hub_grip = @is.fault?("blade_loose") ? "slips" : "tight"

      def winding_ohms
        return @is.leg_open? ? @dice.pick("open" => 3, "unbalanced" => 2) : "open" if @is.fault?("winding_open")
        return "normal" unless @is.fault?("winding_shorted")
        (@is.level("winding_shorted") < 0.25) ? "normal" : @dice.pick("low" => 6, "unbalanced" => 4)
      end

      def insulation
        return "fail" if @is.fault?("winding_grounded")
        @dice.chance?(0.03) ? "watch" : "good"
      end

      def capacitor
        return "open" if @is.fault?("capacitor_open")
        @is.fault?("capacitor_weak") ? "weak" : "within"
      end

      def connector_look
        return "good" unless @is.fault?("connection_burnt")
        @dice.pick("burnt" => 7, "loose" => 3)
      end

      def contactor_look
        return {"coil" => "coil_open"}.fetch(@is.contactor, "pitted_or_burnt") if @is.fault?("contactor_failed")
        @dice.chance?(0.05) ? "pitted_or_burnt" : "good"
      end

      def nameplate_check
        return "wrong_blade" if @is.fault?("blade_wrong")
        @is.fault?("motor_wrong") ? @dice.pick("wrong_motor" => 7, "wrong_tap" => 3) : "matches"
      end

      def mount_check = @is.fault?("mount_loose") ? "perished_or_loose" : "good"

      def drain_check = @is.fault?("drain_blocked") ? "blocked" : "flows"

      def defrost_heater_ohms
        (@is.fault?("defrost_failed") && @is.fixed(:heater) { @dice.chance?(0.6) }) ? "open" : "good"
      end

      def damper_check
        {"closed" => "stuck_closed", "open" => "stuck_open"}.fetch(@is.damper, "moves")
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

      def chatters? = @is.contactor == "chatter" && @dice.chance?(0.7)

      def hums?
        @is.motion != "dead" && (@is.place.motor != "ec" || @dice.chance?(0.4))
      end

      # sound => how loud
      def heard
        bearing = @is.level("bearing_worn")
        dry = @is.fixed(:dry) { @dice.chance?(0.4) }
        {
          "grinding" => dry ? 0 : bearing, "squealing" => dry ? bearing : 0,
          "scraping" => (drag_sound == "scraping") ? dragging : 0,
          "ticking" => (drag_sound == "ticking") ? dragging : 0,
          "rumbling" => [@is.level("blade_damaged") * 0.95, @is.level("blade_fouled") * 0.7].max,
          "rattling" => [@is.level("mount_loose") * 0.9, @is.level("blade_loose") * 0.8].max
        }.select { |_, level| level > 0.3 }
      end

      def dragging
        [@is.level("blade_rubbing"), @is.level("blade_iced")].max + 0.25
      end

      def drag_sound
        return nil unless @is.fault?("blade_rubbing") || @is.fault?("blade_iced")
        @is.fixed(:drag) {
          @dice.pick(@is.fault?("blade_iced") ? {"ticking" => 6, "scraping" => 4} : {"scraping" => 7, "ticking" => 3})
        }
      end

      def confused(sound)
        near = {"grinding" => "rumbling", "rumbling" => "rattling", "rattling" => "rumbling",
                "squealing" => "scraping"}[sound]
        (near && @dice.chance?(0.1)) ? near : sound
      end
    end
  end
end
