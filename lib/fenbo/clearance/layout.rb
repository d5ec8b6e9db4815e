# frozen_string_literal: true

module Fenbo
  module Clearance
    # Everything in its place for one seat and one number of spacers: planes, clearances,
    # and which conditions hold there, by how many mm. What the cross-section draws.
    Layout =
      Value.of(:question, :seat, :spacers) do
        def moved = spacers * question.spacer_mm

        def guard = question.guard_mm && question.guard_mm + moved

        def orifice = question.orifice_mm && question.orifice_mm + moved

        # The blade's motor side and its front.
        def back = seat - question.towards_motor_mm

        def front = seat + question.towards_front_mm

        # Shaft beyond the hub; below nothing where the hub overhangs.
        def exposed = question.shaft_mm - seat - question.hub_mm

        def clearances
          {
            motor: (back - question.boss_mm).round(2),
            guard: guard && (guard - [front, question.shaft_mm].max).round(2),
            immersion: orifice && ((orifice - back) / question.blade_depth_mm.to_f).round(2),
            engagement: (([seat + question.hub_mm, question.shaft_mm].min - seat) / question.hub_mm.to_f).round(2)
          }
        end

        def conditions = Conditions.new(question, spacers).all

        def holds?
          conditions.all? { |one| Tolerance.at_least?(one.margin(seat), 0) }
        end

        def to_h
          {
            seat: seat.round(2),
            spacers:,
            holds: holds?,
            exposed_shaft: exposed.round(2),
            clearances:,
            conditions:
              conditions.map do |one|
                {
                  id: one.id,
                  words: one.words,
                  low: finite(one.low),
                  high: finite(one.high),
                  margin: finite(one.margin(seat)),
                  holds: Tolerance.at_least?(one.margin(seat), 0)
                }
              end
          }
        end

        def finite(number) = number.finite? ? number.round(2) : nil
      end
  end
end
