# frozen_string_literal: true

module FenboSimulation
  # A clamp meter on a simulated motor: one reading at a time, with the last digit
  # that jumps. It stands in for a meter that sends by itself.
  #
  #   clamp = Clamp.new(family: "psc", plate_amps: 1.2, condition: "healthy", random: Random.new(1))
  #   clamp.read   #=> {amps: [1.11], volts: 229.4}
  class Clamp
    CONDITIONS = {
      "healthy" => "healthy",
      "worn" => "bearing worn",
      "stalled" => "stalled",
      "loose" => "blade loose",
      "weak_capacitor" => "capacitor weak",
      "shorted" => "turns shorted",
      "dead" => "winding open",
      "low_volts" => "supply low"
    }.freeze
    FIGURES = {
      "healthy" => {},
      "worn" => {
        friction: 0.28
      },
      "stalled" => {
        friction: 6.0
      },
      "loose" => {
        blade: 0.08
      },
      "weak_capacitor" => {
        capacitor: 0.55
      },
      "shorted" => {
        shorted: 0.14
      },
      "dead" => {
        volts: 0.0
      },
      "low_volts" => {
        volts: 0.82
      }
    }.freeze
    # The share by which a healthy reading moves from one to the next.
    JITTER = 0.012
    # What a clamp shows at most.
    RESOLUTION = 0.01

    def initialize(family:, plate_amps:, condition:, random:, turns: 1, plate_volts: 230.0)
      @family = family
      @plate_amps = plate_amps
      @plate_volts = plate_volts
      @condition = FIGURES.fetch(condition)
      @turns = turns
      @random = random
    end

    # @return [Hash] amps as displayed (the conductor wrapped `turns` times), volts
    def read
      legs = (@family == "three_phase") ? 3 : 1
      {
        amps: Array.new(legs) { displayed(running.amps * @plate_amps * @turns) },
        volts: (volts * @plate_volts * jitter(0.003)).round(1)
      }
    end

    # One reading as the lines a meter sends (docs/formats.md).
    # @param at [Time]
    def lines(at)
      reading = read
      stamp = at.getutc.strftime("%Y-%m-%dT%H:%M:%S.%LZ")
      legs = (reading[:amps].size == 3) ? %w[a b c] : [nil]
      reading[:amps]
        .zip(legs)
        .map { |value, leg| [stamp, "amps", format("%.3f", value), "A", leg].compact.join(";") } << [
          stamp,
          "volts",
          reading[:volts],
          "V"
        ].join(";")
    end

    private

    def volts
      (@condition.key?(:volts) && @condition[:volts].positive?) ? @condition[:volts] : 1.0
    end

    def running
      capacitor = (@family == "psc") ? @condition.fetch(:capacitor, 1.0) : 1.0
      @running ||=
        Motor.new(
          @family,
          volts: @condition.fetch(:volts, 1.0),
          shorted: @condition.fetch(:shorted, 0.0),
          capacitor:
        ).run(blade: @condition.fetch(:blade, 0.92), friction: @condition.fetch(:friction, 0.04))
    end

    def displayed(amps)
      ((amps * jitter(JITTER)) / RESOLUTION).round * RESOLUTION
    end

    def jitter(share) = 1 + share * (2 * @random.rand - 1)
  end
end
