# frozen_string_literal: true

module FenboSimulation
  # A fan motor in per-unit figures: torque, current and speed as shares of rated.
  #
  #   T(s) = 2·Tmax ÷ (s/sk + sk/s)     torque at slip s, breakdown at slip sk
  #   I(s)² = i0² + (1 − i0²)·(s/sn)²   below the locked-rotor current
  #   load  = blade·n² + friction       n the speed over the rated one
  #
  # Textbook shapes with round figures for each family; good to a tenth or so,
  # which is what a fan in the field varies by anyway.
  class Motor
    # slip: rated; pull_out: Tmax; idle: current without load; locked: at standstill.
    FAMILIES = {
      "shaded_pole" => {
        slip: 0.13,
        pull_out: 1.5,
        idle: 0.66,
        locked: 1.48
      },
      "psc" => {
        slip: 0.08,
        pull_out: 1.9,
        idle: 0.52,
        locked: 2.6
      },
      "split_phase" => {
        slip: 0.04,
        pull_out: 2.2,
        idle: 0.58,
        locked: 5.0
      },
      "three_phase" => {
        slip: 0.035,
        pull_out: 2.5,
        idle: 0.45,
        locked: 5.8
      },
      "ec" => {
        slip: 0.0,
        pull_out: 1.6,
        idle: 0.2,
        locked: 0.6
      }
    }.freeze
    STEPS = 200
    # A blade at rest takes more to move than one that turns.
    BREAKAWAY = 1.2

    # speed: share of rated, 0 when it stalls; amps: share of rated; start_share:
    # how much of what it takes to start the motor musters.
    Running = Fenbo::Value.of(:speed, :amps, :start_share)

    # @param family [String]
    # @param volts [Float] share of the plate's
    # @param capacitor [Float] share of the printed µF; 1 where it has none
    # @param shorted [Float] share of the turns that are shorted
    # @param single_phased [Boolean] one leg of three is missing
    def initialize(family, volts: 1.0, capacitor: 1.0, shorted: 0.0, single_phased: false)
      @family = FAMILIES.fetch(family)
      @ec = family == "ec"
      @volts = volts
      @capacitor = capacitor
      @shorted = shorted
      @single_phased = single_phased
    end

    # @param blade [Float] the blade's torque at rated speed, share of rated torque
    # @param friction [Float] bearings, rubbing, ice
    def run(blade:, friction:)
      return Running.new(speed: 0.0, amps: 0.0, start_share: 0.0) if @volts < 0.05
      return electronic(blade, friction) if @ec
      share = torque(1.0) * start_factor / [friction * BREAKAWAY, 0.01].max
      slip = (share < 1) ? 1.0 : settle(blade, friction)
      Running.new(speed: (1 - slip) / (1 - @family[:slip]), amps: current(slip), start_share: share)
    end

    private

    def breakdown
      @family[:slip] * (@family[:pull_out] + Math.sqrt(@family[:pull_out]**2 - 1))
    end

    def torque(slip)
      clean = 2 * @family[:pull_out] / (slip / breakdown + breakdown / slip)
      clean * @volts**2 * (1 - 1.6 * @shorted) * (0.45 + 0.55 * @capacitor.clamp(0, 1.1)) *
        (@single_phased ? 0.55 : 1)
    end

    # Without a turning field a motor does not start, whatever it pulls when running.
    def start_factor
      @single_phased ? 0.0 : @capacitor.clamp(0, 1.1) / (0.45 + 0.55 * @capacitor.clamp(0, 1.1))
    end

    # From standstill up to where the load holds the motor.
    def settle(blade, friction)
      (1..STEPS).each do |step|
        slip = 1 - step / STEPS.to_f * 0.9999
        speed = (1 - slip) / (1 - @family[:slip])
        return [slip + 0.5 / STEPS, 1.0].min if torque(slip) < blade * speed**2 + friction
      end
      1.0 / STEPS
    end

    def current(slip)
      idle = @family[:idle]
      free = Math.sqrt(idle**2 + (1 - idle**2) * (slip / @family[:slip])**2)
      bounded(free) / bounded(1.0) * @volts * (1 + 3.2 * @shorted) *
        (1 + 0.35 * (1 - @capacitor.clamp(0, 1.1)) * ((slip > 0.5) ? 0.2 : 1)) * (@single_phased ? 1.5 : 1)
    end

    # The locked-rotor current is the most that flows.
    def bounded(amps) = (amps**-4 + @family[:locked]**-4)**-0.25

    # Holds its speed until its power runs out; the current follows the power.
    def electronic(blade, friction)
      load = blade + friction
      share = @family[:pull_out] * [@volts, 1.0].min / [friction * BREAKAWAY, 0.01].max
      return Running.new(speed: 0.0, amps: 0.12, start_share: share) if share < 1
      speed = [1.0, (@family[:pull_out] / load)**(1 / 3.0)].min
      Running.new(speed:, amps: [load * speed**3 / @volts, @family[:idle]].max, start_share: share)
    end
  end
end
