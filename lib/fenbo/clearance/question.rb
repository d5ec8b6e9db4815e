# frozen_string_literal: true

module Fenbo
  module Clearance
    # Lengths in mm along the shaft, from the motor's mounting face towards the shaft's
    # end. The contract's letters stand beside each.
    Chosen = Value.of(:seat_mm, :spacers)
    Key = Value.of(:from_mm, :to_mm, :screw_mm) # k0, k1, k
    Allowed = Value.of(:engagement, :motor_clearance, :guard_clearance, :immersion, :key_margin)
    Question =
      Value.of(
        :shaft_mm,
        :hub_mm, # L, h
        :towards_motor_mm,
        :towards_front_mm, # b_m, b_f: the blade from the hub's motor-side face
        :boss_mm,
        :guard_mm,
        :orifice_mm, # m, G, O: planes; guard and orifice may be none
        :spacer_mm,
        :most_spacers, # t, n_max
        :key,
        :old_seat_mm,
        :allowed,
        tolerance_mm: nil, # of caliper or tape; nil: the usual one
        chosen: nil, # a seat somebody wants to look at
        opening_mm: nil,
        blade_mm: nil # diameters, for the gap at the tips
      ) { def blade_depth_mm = towards_motor_mm + towards_front_mm }

    class Question
      LONGEST = 2_000

      class << self
        def read(input, limits)
          new(
            shaft_mm: length(input, "L"),
            hub_mm: length(input, "h"),
            **blade(input),
            boss_mm: plane(input, "m") || 0.0,
            guard_mm: plane(input, "G"),
            orifice_mm: plane(input, "O"),
            spacer_mm: input.number("t", required: false, at_least: 0, at_most: LONGEST) || 0.0,
            most_spacers: input.integer("n_max", required: false, at_least: 0, at_most: 100) || 0,
            key: key(input),
            old_seat_mm: plane(input, "old_seat"),
            allowed: allowed(input, limits),
            tolerance_mm: input.number("tolerance", required: false, at_least: 0, at_most: 50),
            chosen: chosen(input),
            opening_mm: input.number("D", required: false, above: 0, at_most: LONGEST * 2),
            blade_mm: input.number("blade_diameter_mm", required: false, above: 0, at_most: LONGEST * 2)
          )
        end

        private

        def length(input, name) = input.number(name, above: 0, at_most: LONGEST)

        def plane(input, name, required: false)
          input.number(name, required:, at_least: -LONGEST, at_most: LONGEST)
        end

        def blade(input)
          towards_motor, towards_front = plane(input, "b_m", required: true), plane(input, "b_f", required: true)
          if towards_motor && towards_front && towards_motor + towards_front <= 0
            input.fault("b_f", "leaves the blade no depth: b_m + b_f is above 0")
          end
          {towards_motor_mm: towards_motor, towards_front_mm: towards_front}
        end

        def chosen(input)
          return nil unless input.given?("chosen")
          within = input.object("chosen")
          Chosen.new(
            seat_mm: plane(within, "seat", required: true),
            spacers: within.integer("spacers", required: false, at_least: 0, at_most: 100) || 0
          )
        end

        def key(input)
          return nil unless input.given?("key")
          within = input.object("key")
          read = %w[k0 k1 k].map { |name| plane(within, name, required: true) }
          within.fault("k1", "lies before k0") if read.all? && read[1] < read[0]
          Key.new(from_mm: read[0], to_mm: read[1], screw_mm: read[2])
        end

        def allowed(input, limits)
          given = input.object("limits", required: false)
          figure = ->(name, most) do
            given.number(name, required: false, at_least: 0, at_most: most) || limits["fit.#{name}"]
          end
          Allowed.new(
            engagement: figure["engagement", 1],
            motor_clearance: figure["motor_clearance", LONGEST],
            guard_clearance: figure["guard_clearance", LONGEST],
            immersion: immersion(given, limits),
            key_margin: figure["key_margin", LONGEST]
          )
        end

        def immersion(given, limits)
          shares =
            given.numbers("immersion", required: false, sizes: [2], at_least: -5, at_most: 5) ||
            [limits["fit.immersion_low"], limits["fit.immersion_high"]]
          given.fault("immersion", "runs from the lower to the higher share") if shares.first > shares.last
          shares
        end
      end
    end
  end
end
