# frozen_string_literal: true

module FenboSimulation
  module Senses
    # What is seen and felt of box, coil, door and control.
    module Box
      def box_temperature
        over = @boxes.over + 1.2 * (rand - 0.5)
        return "too_cold" if over < -2
        graded(over, 2 => "normal", 8 => "warm") || "very_warm"
      end

      def compartments
        return "fresh_warm_freezer_cold" if @rig[:damper] == "stuck_closed" && rand < 0.85
        return "both_normal" if @boxes.over < 2
        if @rig[:compressor] && @rig[:supply_on] && @rig[:charge] > 0.6 && @rig.side == "evaporator" &&
            @boxes.air < 0.75
          "fresh_warm_freezer_cold"
        else
          "both_warm"
        end
      end

      def water_present
        (rand < [@rig[:moisture] * 0.9, 0.08].max) ? "yes" : "no"
      end

      def frost_pattern = @boxes.frost(@random)

      def coil_through_light
        (@rig[:coil] == "open" && @boxes.frost(@random) == "even_blocked") ? "iced" : @rig[:coil]
      end

      def condenser_face
        (@rig[:condenser] == "clean" && rand < 0.22) ? "dirty" : @rig[:condenser]
      end

      def load_blocking_air
        (@rig[:load_in_the_way] || rand < 0.05) ? "yes" : "no"
      end

      def door_seal
        (@rig[:seal] == "leaks" || rand < 0.08) ? "leaks" : "good"
      end

      def sight_glass
        (@rig[:charge] < 0.8 || rand < 0.06) ? "flashing" : "clear"
      end

      def setting = @rig[:setting]

      def unit_alive
        if @rig[:supply_on] && !(@rig[:setting] == "wrong_or_off" && !@rig[:calling] && rand < 0.2)
          "alive"
        else
          "all_dead"
        end
      end

      def control_call
        return "not_calling" if !@rig[:calling]
        if @rig[:control_works] && @rig[:supply_on]
          "calling"
        else
          (
            if @rig[:supply_on]
              "should_call_but_does_not"
            else
              %w[should_call_but_does_not calling not_calling].sample(random: @random)
            end
          )
        end
      end

      def door_switch_held
        (@rig.turning? || (@rig[:why_off] == "door")) ? "fan_runs" : "no_change"
      end

      def discharge_air_difference
        return "near_zero_coil_warm" if !@rig[:compressor] || !@rig[:supply_on] || @rig[:charge] < 0.5
        (@boxes.air < 0.3) ? "near_zero_coil_cold" : "normal"
      end

      def forced_defrost
        (@rig[:defrost_heats] && @rig[:supply_on]) ? "heats" : "no_heat"
      end

      def drain_check = @rig[:drain]

      def damper_check = @rig[:damper]
    end
  end
end
