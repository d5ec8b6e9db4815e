# frozen_string_literal: true

module Fenbo
  module Electrical
    # What is asked of `amps`: a nameplate and a reading, in volts, amps, watts.
    AmpsQuestion =
      Value.of(
        :family, :nameplate_amps, :nameplate_watts, :service_factor, :service_factor_amps, :locked_rotor_amps,
        :turning, :display, :watts, :power_factor, :turns, :meter, :supply
      ) do
        define_singleton_method(:read) do |input, limits|
          motor = input.object("motor")
          reading = input.object("reading")
          family = motor.choice("family", FAMILIES)
          legs = (family == "three_phase") ? [3] : [1]
          nameplate_volts = motor.number("nameplate_volts", required: false, above: 0, at_most: MOST_VOLTS)
          volts = reading.numbers("volts", required: false, sizes: legs | [1], at_least: 0, at_most: MOST_VOLTS)
          new(
            family:,
            nameplate_amps: motor.number("nameplate_amps", required: family != "ec", above: 0, at_most: MOST_AMPS),
            nameplate_watts: motor.number("nameplate_watts", required: false, above: 0),
            service_factor: motor.number("service_factor", required: false, above: 0, at_most: 3),
            service_factor_amps: motor.number("service_factor_amps", required: false, above: 0, at_most: MOST_AMPS),
            locked_rotor_amps: motor.number("locked_rotor_amps", required: false, above: 0, at_most: MOST_AMPS),
            turning: motor.flag("turning"),
            display: reading.numbers("amps", sizes: legs, at_least: 0, at_most: MOST_AMPS),
            watts: reading.number("watts", required: false, at_least: 0),
            power_factor: reading.number("power_factor", required: false, above: 0, at_most: 1),
            turns: reading.integer("turns", required: false, at_least: 1, at_most: 100) || 1,
            meter: Meter.read(reading.object("meter", required: false)),
            supply:
              Supply.new(
                volts:,
                nameplate_volts:,
                tolerance: limits["amps.volts_tolerance"],
                absent: limits["amps.volts_absent"]
              )
          )
        end

        def ec? = family == "ec"
      end
  end
end
