# frozen_string_literal: true

module FenboSimulation
  class Effects
    # Faults of what is around the fan: coils, drain, seal, load, setting, circuit.
    module Surroundings
      def defrost_failed
        set(
          ice: "all",
          coil: "iced",
          coil_air: between(0.04, 0.45),
          defrost_heats: false,
          heater_open: chance(0.6),
          moisture: chance(0.3) ? 1.0 : 0.0
        )
      end

      def drain_blocked
        set(drain: "blocked", ice: rig[:ice] || "bottom", moisture: chance(0.85) ? 1.0 : 0.2)
      end

      def evaporator_dirty
        inside = chance(0.42)
        set(
          coil: inside ? "blocked_inside" : "dirty",
          coil_air: between(0.15, 0.7),
          moisture: chance(0.25) ? 1.0 : 0.0,
          cleaned_by_air: chance(0.55),
          ice: rig[:ice] || (chance(0.3) ? "all" : nil)
        )
      end

      def condenser_dirty
        felt = between(0.35, 1)
        set(condenser: (felt > 0.7) ? "blocked" : "dirty", condenser_air: 1 - 0.72 * felt)
      end

      def charge_low
        set(charge: between(0.35, 0.85), ice: rig[:ice] || "feed")
      end

      def door_seal_leaking
        set(
          seal: "leaks",
          ice: rig[:ice] || pick("door" => 0.55, "all" => 0.2, nil => 0.25),
          warmth: between(0.05, 0.35),
          moisture: chance(0.3) ? 1.0 : 0.0
        )
      end

      def airflow_blocked_by_load
        set(load_in_the_way: true, coil_air: rig[:coil_air] * between(0.25, 0.75))
      end

      def setpoint_wrong
        return set(setting: "wrong_or_off", warmth: -0.5) if chance(0.35)
        set(setting: "wrong_or_off", warmth: between(0.2, 0.6), calling: !chance(0.5))
      end

      def damper_stuck
        set(damper: chance(0.76) ? "stuck_closed" : "stuck_open")
      end

      def compressor_fault = set(compressor: false, ice: rig[:ice] || "gone")
    end
  end
end
