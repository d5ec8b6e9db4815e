# frozen_string_literal: true

module FenboSimulation
  # One fan, its motor and what surrounds it, as physical figures. Faults change
  # the figures (Effects); everything seen or measured follows from them.
  class Rig
    # name => healthy value. Shares are of rated or of what is usual.
    FIGURES = {
      volts: 1.0,
      unbalance: 0.0,
      dead_leg: false,
      supply_on: true,
      calling: true,
      why_off: nil,
      control_works: true,
      door_switch_works: true,
      contactor_drop: 0.0,
      contactor_points: "good",
      chatter: false,
      connector_drop: 0.0,
      connector_look: "good",
      terminal_kelvin: 0.0,
      winding_open: false,
      shorted: 0.0,
      megohms: 200.0,
      capacitor: 1.0,
      module: "works",
      friction: 0.03,
      roughness: 0.0,
      squeal: false,
      play: 0.0,
      blade_load: 0.93,
      air: 1.0,
      imbalance: 0.0,
      rub: 0.0,
      rub_sound: nil,
      ice_torque: 0.0,
      blade_look: "sound",
      slip: false,
      cake: 0.0,
      direction: 1,
      mount: "good",
      rattle: 0.0,
      plate: "matches",
      coil: "open",
      coil_air: 1.0,
      ice: nil,
      defrost_heats: true,
      heater_open: false,
      drain: "flows",
      moisture: 0.0,
      condenser: "clean",
      condenser_air: 1.0,
      charge: 1.0,
      compressor: true,
      seal: "good",
      load_in_the_way: false,
      setting: "right",
      damper: "moves",
      hours: 12.0,
      warmth: 0.0,
      cleaned_by_air: false,
      intermittent: false
    }.freeze

    attr_reader :family, :side, :motor, :faults, :age, :neighbours, :figures, :recent_work

    # @param neighbours [Integer] other fans on the same side
    # @param spread [Random] how this one differs from the ideal
    def initialize(family:, side:, motor:, faults:, age:, neighbours:, spread:, recent_work: false)
      @family, @side, @motor, @faults = family, side, motor, faults
      @age, @neighbours, @recent_work = age, neighbours, recent_work
      @figures = FIGURES.dup
      settle(spread)
      faults.each { |fault| Effects.new(self, spread).public_send(fault) }
      @spread = spread
      running
    end

    def [](name) = @figures.fetch(name)

    # The same fan in the same surroundings with other faults.
    def with_faults(faults, spread)
      Rig.new(family:, side:, motor:, faults:, age:, neighbours:, spread:, recent_work:)
    end

    def set(**changed) = @figures.update(changed)

    def equipment
      @equipment ||= Fenbo::Diagnosis::Equipment.new(family:, side:, motor:)
    end

    # Whether the control, switches and contactor let current through.
    def energised?
      self[:supply_on] && self[:calling] && self[:control_works] && self[:door_switch_works] &&
        self[:contactor_drop] < 0.9 && !tripped?
    end

    # Voltage at the motor's terminals, share of the plate's.
    def terminal_volts
      return 0.0 unless energised?
      self[:volts] * (1 - self[:contactor_drop]) * (1 - self[:connector_drop])
    end

    def tripped? = self[:megohms] < 0.5

    # Speed, current and how near it is to starting.
    def running
      @running ||=
        begin
          power =
            Motor.new(
              motor,
              volts: terminal_volts,
              capacitor: self[:capacitor],
              shorted: self[:shorted],
              single_phased: self[:dead_leg]
            )
          dead = self[:winding_open] == true || %w[dead twitches].include?(self[:module])
          if dead
            Motor::Running.new(speed: 0.0, amps: idle_amps, start_share: 0.0)
          else
            power.run(blade: self[:blade_load], friction: self[:friction] + self[:rub] + self[:ice_torque])
          end
        end
    end

    def still? = running.speed < 0.03

    def turning? = !still?

    # Air this fan moves, share of usual.
    def airflow
      return 0.0 if still?
      [running.speed, 1.1].min * self[:air] * self[:coil_air] * ((side == "condenser") ? self[:condenser_air] : 1.0) *
        ((self[:direction] == 1) ? 1.0 : 0.35)
    end

    # How hot the motor gets, 1 being usual: copper loss over cooling.
    def heat
      return 0.25 if running.amps < 0.03
      still? ? running.amps**2 * 1.3 : running.amps**2 / [0.35 + 0.65 * airflow, 0.2].max
    end

    # Whether the other fan number `index` runs: on its own supply and control
    # unless it shares the ones that fail here.
    def neighbour_runs?(index) = neighbour_states.fetch(index)

    def any_neighbour_runs? = neighbour_states.any?

    private

    # How often a fault that stops this fan stops its neighbours with it.
    SHARED = {
      "no_supply" => 1.0,
      "phase_lost" => 1.0,
      "fan_control_failed" => 0.5,
      "contactor_failed" => 0.45,
      "door_switch_failed" => 0.9,
      "setpoint_wrong" => 1.0
    }.freeze
    HELD_OFF = {"evaporator" => 0.75, "condenser" => 0.3}.freeze
    OWN_FAULT = 0.04

    def neighbour_states
      @neighbour_states ||=
        begin
          shared =
            still? &&
            faults.any? do |fault|
              @spread.rand < ((fault == "fan_not_called") ? HELD_OFF[side] : SHARED.fetch(fault, 0.0))
            end
          Array.new(neighbours) { !shared && @spread.rand >= OWN_FAULT }
        end
    end

    def idle_amps
      (terminal_volts > 0.1) ? {"dead" => 0.03, "twitches" => 0.12}.fetch(self[:module], 0.0) : 0.0
    end

    # No two healthy fans are alike.
    def settle(spread)
      set(
        volts: 1 + 0.018 * normal(spread),
        blade_load: 0.92 + 0.05 * normal(spread),
        friction: 0.03 + 0.02 * spread.rand,
        megohms: 10**(1.6 + 0.35 * normal(spread)),
        capacitor: 1 + 0.018 * normal(spread),
        unbalance: 0.6 * spread.rand,
        hours: 1 + 70 * spread.rand**2,
        terminal_kelvin: 1.5 * spread.rand
      )
    end

    def normal(spread)
      Math.sqrt(-2 * Math.log(1 - spread.rand)) * Math.cos(2 * Math::PI * spread.rand)
    end
  end
end
