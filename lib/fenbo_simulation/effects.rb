# frozen_string_literal: true

module FenboSimulation
  # What each fault does to a rig's figures, from barely to badly. One method a
  # cause; how bad it is, is drawn.
  class Effects
    autoload :Surroundings, "fenbo_simulation/effects/surroundings"
    include Surroundings

    def initialize(rig, random)
      @rig = rig
      @random = random
    end

    def bearing_worn
      wear = @random.rand
      dry = chance(0.45)
      set(
        friction: 0.08 + 0.42 * wear**1.4,
        roughness: dry ? 0.35 * wear : 0.3 + 0.7 * wear,
        squeal: dry,
        play: chance(0.75) ? 0.2 + 0.8 * wear : 0.1
      )
    end

    def bearing_seized
      set(friction: between(2.4, 6), roughness: 1.0, play: chance(0.4) ? 0.6 : 0.05)
    end

    def winding_open
      (three_phase? && chance(0.6)) ? set(dead_leg: true, winding_open: "one_phase") : set(winding_open: true)
    end

    def winding_shorted
      set(shorted: between(0.05, 0.32), megohms: chance(0.2) ? between(1, 8) : rig[:megohms])
    end

    def winding_grounded
      set(megohms: chance(0.7) ? between(0.0, 0.45) : between(0.5, 0.95))
    end

    def ec_module_failed
      mode = pick("dead" => 0.72, "twitches" => 0.14, "intermittent" => 0.14)
      set(module: mode, intermittent: mode == "intermittent")
    end

    def capacitor_weak = set(capacitor: between(0.35, 0.91))

    def capacitor_open = set(capacitor: between(0.0, 0.03))

    def blade_loose
      grip = @random.rand**1.5
      set(
        slip: true,
        blade_look: "loose",
        blade_load: 0.06 + 0.5 * grip,
        air: 0.05 + 0.6 * grip,
        rattle: 0.2 + 0.7 * @random.rand
      )
    end

    def blade_damaged
      missing = between(0.05, 0.4)
      set(
        blade_look: "cracked_or_missing",
        imbalance: 0.35 + missing * 1.6,
        blade_load: rig[:blade_load] * (1 - missing),
        air: 1 - missing * 1.1,
        rub_sound: chance(0.25) ? "ticking" : nil
      )
    end

    def blade_rubbing
      wedged = chance(0.18)
      set(
        rub: wedged ? between(1.6, 4) : between(0.03, 0.45),
        blade_look: "touching",
        rub_sound: chance(0.72) ? "scraping" : "ticking"
      )
    end

    def blade_iced
      held = chance(0.45)
      set(
        ice_torque: held ? between(1.5, 5) : between(0.02, 0.5),
        blade_look: "iced",
        ice: "ring",
        rub_sound: chance(0.65) ? "ticking" : "scraping"
      )
    end

    def blade_fouled
      cake = between(0.45, 1)
      set(
        cake:,
        imbalance: cake * between(0.1, 0.7),
        air: 1 - 0.45 * cake,
        blade_load: rig[:blade_load] * (1 + 0.22 * cake * @random.rand)
      )
    end

    def blade_wrong
      big = chance(0.55)
      set(
        plate: "wrong_blade",
        blade_load: rig[:blade_load] * (big ? between(1.15, 1.55) : between(0.4, 0.72)),
        air: big ? between(0.8, 1.2) : between(0.45, 0.8),
        imbalance: chance(0.2) ? 0.4 : 0.0
      )
    end

    def rotation_reversed
      set(direction: -1, blade_load: rig[:blade_load] * between(0.65, 1.3))
    end

    def mount_loose
      set(
        mount: "perished_or_loose",
        rattle: between(0.3, 1),
        imbalance: chance(0.35) ? between(0.3, 0.6) : 0.0,
        blade_look: chance(0.15) ? "touching" : rig[:blade_look]
      )
    end

    def motor_wrong
      return set(plate: "wrong_tap", volts: rig[:volts] * (chance(0.7) ? 0.56 : 1.6)) if chance(0.3)
      set(plate: "wrong_motor", blade_load: rig[:blade_load] * (chance(0.6) ? between(1.2, 1.8) : between(0.35, 0.7)))
    end

    def connection_burnt
      broken = chance(0.45)
      set(
        connector_drop: broken ? 1.0 : between(0.04, 0.4),
        connector_look: chance(0.78) ? "burnt" : "loose",
        terminal_kelvin: broken ? between(0, 6) : between(8, 60),
        intermittent: !broken && chance(0.6)
      )
    end

    def fan_not_called
      set(calling: false, why_off: pick("satisfied" => 0.5, "defrost" => 0.2, "delay" => 0.15, "door" => 0.15))
    end

    def fan_control_failed = set(control_works: false)

    def contactor_failed
      mode = pick("coil" => 0.35, "points" => 0.35, "chatter" => 0.3)
      return set(contactor_drop: 1.0, contactor_points: "coil_open") if mode == "coil"
      set(
        contactor_points: "pitted_or_burnt",
        contactor_drop: (mode == "points" && chance(0.6)) ? 1.0 : between(0.05, 0.3),
        chatter: mode == "chatter",
        intermittent: mode == "chatter",
        terminal_kelvin: between(4, 40)
      )
    end

    def door_switch_failed = set(door_switch_works: false)

    def no_supply = set(supply_on: false)

    def supply_out_of_range
      set(volts: chance(0.75) ? between(0.62, 0.88) : between(1.12, 1.22))
    end

    def phase_lost = set(dead_leg: true, unbalance: 60.0)

    def supply_unbalanced = set(unbalance: between(2.4, 9))

    private

    attr_reader :rig

    def set(**changed) = rig.set(**changed)

    def three_phase? = rig.motor == "three_phase"

    def chance(share) = @random.rand < share

    def between(low, high) = low + (high - low) * @random.rand

    def pick(shares)
      at = @random.rand * shares.values.sum
      shares.find { |_, share| (at -= share) < 0 }&.first
    end
  end
end
