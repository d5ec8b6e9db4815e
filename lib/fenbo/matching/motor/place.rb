# frozen_string_literal: true

module Fenbo
  module Matching
    # Where the motor has to work.
    # overload_amps: what its overload can be set to, [low, high]; contactor_amps: what its
    # contactor carries; nil where not noted. belt: the motor drives its fan by a belt.
    Place =
      Value.of(
        :volts,
        :phases,
        :hertz,
        :ambient_c,
        :wet,
        :flammable,
        overload_amps: nil,
        contactor_amps: nil,
        belt: false
      ) do
        def self.read(input)
          new(
            volts: input.number("volts", above: 0, at_most: 100_000),
            phases: input.integer("phases", at_least: 1, at_most: 3),
            hertz: input.number("hertz", above: 0, at_most: 400),
            ambient_c: input.numbers("ambient_c", required: false, sizes: [2], at_least: -120, at_most: 200),
            wet: input.flag("wet", default: false),
            flammable: input.flag("flammable", default: false),
            belt: input.flag("belt", default: false),
            overload_amps:
              input.numbers("overload_amps", required: false, sizes: [2], above: 0, at_most: 10_000)&.minmax,
            contactor_amps: input.number("contactor_amps", required: false, above: 0, at_most: 10_000)
          )
        end
      end
  end
end
