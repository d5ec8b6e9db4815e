# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The second half of a three-phase load: do contactor and overload carry the new
      # motor's full-load amps? Where they are not noted, the old motor's amps stand for them.
      class Starter < Check
        # @param load [Line] what was found of its power
        # @return [Line] that, or what the starter says against it
        def after(load)
          @load = load
          return load unless amps
          if place.contactor_amps && Tolerance.above?(amps, place.contactor_amps)
            return too_much("the contactor carries #{figure(place.contactor_amps)} A")
          end
          return on_the_dial if place.overload_amps
          was ? beside_the_old : load
        end

        private

        def name = "load"

        def amps = candidate.amps_at(place.volts)

        def on_the_dial
          low, high = place.overload_amps
          if Tolerance.between?(amps, low, high)
            set
          else
            too_much("the overload sets #{figure(low)} to #{figure(high)} A")
          end
        end

        def beside_the_old
          return set if Tolerance.at_most?(amps, usual_dial)
          adapt(
            "#{text}, the old one #{figure(was)} A: look up the overload's dial and the contactor's rating",
            work: "starter"
          )
        end

        def was = old.amps_at(place.volts)

        def usual_dial = was && was * limits["match.overload_reach"]

        def set
          pass(text, setting: "set the overload to its #{figure(amps)} A")
        end

        def text = "#{@load.reason}; #{figure(amps)} A at full load"

        def too_much(why) = fail("#{figure(amps)} A at full load, #{why}")
      end
    end
  end
end
