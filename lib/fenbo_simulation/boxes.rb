# frozen_string_literal: true

module FenboSimulation
  # How warm the box around a rig gets, and where frost lies on its coil.
  class Boxes
    # A healthy unit has this much more capacity than an ordinary day asks for.
    RESERVE = 1.3
    # Kelvin the box ends up over its setpoint when nothing cools it.
    SPAN = 22.0
    HALF_WAY_HOURS = 5.0

    def initialize(rig)
      @rig = rig
    end

    # Air over the coil, share of usual: this fan and its neighbours, which run on
    # unless what stops this one stops them.
    def air
      others = @rig.neighbours.times.sum { |index| @rig.neighbour_runs?(index) ? @rig[:coil_air] : 0.0 }
      own = (@rig.side == "evaporator") ? @rig.airflow : @rig[:coil_air]
      return own if @rig.side == "condenser"
      (own + others) / (1.0 + @rig.neighbours)
    end

    # Cooling, share of what is needed on an ordinary day.
    def cooling
      return 0.0 if !@rig[:compressor] || !@rig[:supply_on]
      rejected = (@rig.side == "condenser") ? condenser_air : 1.0
      RESERVE * [air / 0.8, 1.0].min * [@rig[:charge] / 0.9, 1.0].min * [rejected / 0.7, 1.0].min
    end

    # Kelvin over setpoint by now.
    def over
      wanted = 1 + [@rig[:warmth], 0].max
      short = [1 - cooling / wanted, 0].max
      held_off = (@rig[:why_off] == "satisfied") ? 0.0 : 1.0
      SPAN * short * held_off * (1 - Math.exp(-@rig[:hours] / HALF_WAY_HOURS)) + SPAN * [@rig[:warmth], 0].min * 0.4 +
        @rig[:warmth].clamp(0, 1) * 4
    end

    # Where frost lies: an outcome of frost_pattern. Still air behind a fan that
    # stands grows frost there after some hours; alone on its coil it closes it.
    def frost(random)
      known =
        {
          "all" => "even_blocked",
          "ring" => "fan_ring_ice",
          "bottom" => "bottom_ice",
          "feed" => "feed_end_only",
          "door" => "near_door",
          "gone" => "clear"
        }[
          @rig[:ice]
        ]
      return known if known && random.rand < 0.9
      return (random.rand < 0.2) ? "clear" : "even_light" if @rig.turning? || @rig[:hours] < 3
      return "behind_one_fan" if @rig.neighbours.positive? && @rig.any_neighbour_runs? && random.rand < 0.6
      pick = random.rand
      if pick < 0.25
        "even_blocked"
      else
        ((pick < 0.35) ? "fan_ring_ice" : "even_light")
      end
    end

    private

    def condenser_air
      others = @rig.neighbours.times.sum { |index| @rig.neighbour_runs?(index) ? @rig[:condenser_air] : 0.0 }
      (@rig.airflow + others) / (1.0 + @rig.neighbours)
    end
  end
end
