# frozen_string_literal: true

module Fenbo
  module Electrical
    # What is asked of `amps`: a nameplate and a reading, in volts, amps, watts.
    AmpsQuestion = Value.of(
      :family, :nameplate_amps, :nameplate_watts, :service_factor, :service_factor_amps,
      :locked_rotor_amps, :turning, :display, :watts, :power_factor, :turns, :meter, :supply
    ) do
      # Beyond these no fan motor lives; they catch a slipped decimal point.
      most_amps = 10_000
      most_volts = 100_000

      define_singleton_method(:read) do |input, tolerance:|
        motor = input.object("motor")
        reading = input.object("reading")
        family = motor.choice("family", FAMILIES)
        legs = (family == "three_phase") ? [3] : [1]
        nameplate_volts = motor.number("nameplate_volts", required: false, above: 0, at_most: most_volts)
        volts = reading.numbers("volts", required: false, sizes: legs | [1], at_least: 0, at_most: most_volts)
        new(
          family:,
          nameplate_amps: motor.number("nameplate_amps", required: family != "ec", above: 0, at_most: most_amps),
          nameplate_watts: motor.number("nameplate_watts", required: false, above: 0),
          service_factor: motor.number("service_factor", required: false, above: 0, at_most: 3),
          service_factor_amps: motor.number("service_factor_amps", required: false, above: 0, at_most: most_amps),
          locked_rotor_amps: motor.number("locked_rotor_amps", required: false, above: 0, at_most: most_amps),
          turning: motor.flag("turning"),
          display: reading.numbers("amps", sizes: legs, at_least: 0, at_most: most_amps),
          watts: reading.number("watts", required: false, at_least: 0),
          power_factor: reading.number("power_factor", required: false, above: 0, at_most: 1),
          turns: reading.integer("turns", required: false, at_least: 1, at_most: 100) || 1,
          meter: Meter.read(reading.object("meter", required: false)),
          supply: Supply.new(volts:, nameplate_volts:, tolerance:)
        )
      end

      def ec? = family == "ec"
    end
  end
end
