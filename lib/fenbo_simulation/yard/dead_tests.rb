# frozen_string_literal: true

module FenboSimulation
  module Yard
    # What a condition shows by hand, by ohms and by a close look, once it is made safe.
    module DeadTests
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
    end
  end
end
