# frozen_string_literal: true

module FenboSimulation
  module Yard
    # Ice, water and warmth, as they follow from the rest of a condition.
    module Cold
      # Where ice lies: all, ring, bottom, feed, door, behind, bare, thin.
      def ice = fixed(:ice) { lain }

      def water?
        fixed(:water) do
          share = fault?("drain_blocked") ? 0.85 : 0.1
          share = [share, 0.35].max if ice == "all" || fault?("door_seal_leaking")
          @dice.chance?(share)
        end
      end

      # Kelvin over the setpoint.
      def warmth
        fixed(:warmth) do
          next 0.0 if fault?("fan_not_called") && @dice.chance?(0.6)
          next -4.0 if fault?("setpoint_wrong") && !off_by_setting? && @dice.chance?(0.45)
          next -3.5 if fault?("damper_stuck") && damper == "open"
          short_of_cold * [place.hours / 12.0, 1.2].min + @dice.between(-0.8, 1.2)
        end
      end

      def refrigerating?
        !fault?("compressor_fault") && !unit_dead? && !off_by_setting?
      end

      def damper
        fault?("damper_stuck") ? fixed(:damper) { @dice.pick("closed" => 3, "open" => 1) } : "moves"
      end

      private

      def lain
        return "none" unless place.cold?
        return "all" if fault?("defrost_failed") && level("defrost_failed") > 0.25
        return "bare" if fault?("compressor_fault") || unit_dead?
        return "feed" if fault?("charge_low") && level("charge_low") > 0.3
        return "ring" if fault?("blade_iced")
        return "bottom" if fault?("drain_blocked") && level("drain_blocked") > 0.3
        return @dice.pick("door" => 5, "all" => 2, "ring" => 1, "thin" => 2) if fault?("door_seal_leaking")
        return @dice.pick("all" => 4, "thin" => 6) if fault?("evaporator_dirty") && level("evaporator_dirty") > 0.5
        return @dice.pick("thin" => 8, "bare" => 2) if turning? || place.hours < 10
        (place.neighbours.positive? && !beside_stand?) ? "behind" : @dice.pick("all" => 4, "thin" => 5, "ring" => 1)
      end

      def short_of_cold
        return 14.0 unless refrigerating?
        over = 0.0
        over += 6.0 * level("charge_low") + 5.0 * level("door_seal_leaking") * 0.7
        over += 6.0 * level("condenser_dirty") if fault?("condenser_dirty")
        fans = 1.0 + place.neighbours
        working = beside_stand? ? 0 : place.neighbours
        moved = place.cold? ? (working * [through, 0.2].max + air) / fans : (working + air) / fans
        over += 11.0 * (1 - [moved / 0.75, 1].min)
        over += 5 if off_by_setting? || fault?("setpoint_wrong") || damper == "closed"
        over
      end
    end
  end
end
