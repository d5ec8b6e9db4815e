# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # Can it carry the blade? Amps within one family, watts or horsepower for
      # the others, shaft output across families.
      class Load < Check
        def line
          return across_families unless candidate.family == old.family
          case old.family
          when "shaded_pole", "psc"
            by_amps
          when "ec"
            by_power(limits["match.ec_oversize"], 1.0)
          when "split_phase"
            by_power(limits["match.split_phase_oversize"], service)
          else
            three_phase
          end
        end

        private

        def service = candidate.service_factor || 1.0

        def by_amps
          needed = @context.healthy_amps || old.amps_at(place.volts)
          offered = candidate.amps_at(place.volts)
          return unknown("the load in amps") unless needed && offered
          ratio = needed / offered.to_f
          text =
            "#{figure(needed)} A on #{figure(offered)} A: #{figure(ratio)}, window " \
            "#{limits["match.load_low"]} to #{limits["match.load_high"]}"
          Tolerance.between?(ratio, limits["match.load_low"], limits["match.load_high"]) ? pass(text) : fail(text)
        end

        def by_power(oversize, factor)
          needed, offered, unit = powers
          return unknown("the power") unless needed && offered
          judge(offered * factor / needed, 1.0, oversize, "#{figure(offered * factor)} for #{figure(needed)} #{unit}")
        end

        # As both plates print it, else what both give at the shaft.
        def powers
          [
            [old.horsepower, candidate.horsepower, "hp"],
            [old.watts, candidate.watts, "W"],
            [old.output_watts(limits), candidate.output_watts(limits), "W at the shaft"]
          ].find { |pair| pair.first(2).all? } || []
        end

        # Enough at the shaft, and full-load amps that contactor and overload carry.
        def three_phase
          line = by_power(Float::INFINITY, service)
          (line.result == "pass") ? Starter.new(@context).after(line) : line
        end

        def across_families
          needed, offered = old.output_watts(limits), candidate.output_watts(limits)
          return unknown("the shaft output") unless needed && offered
          judge(
            offered / needed,
            limits["match.output_low"],
            limits["match.output_high"],
            "#{figure(offered)} W at the shaft for about #{figure(needed)} W",
            slack: limits["match.plate_rounding"]
          )
        end

        def judge(ratio, low, high, text, slack: 0.0)
          text = "#{text}: #{figure(ratio)}, wanted #{high.finite? ? "#{low} to #{high}" : "at least #{low}"}"
          Tolerance.between?(ratio, low - slack, high + slack) ? pass(text) : fail(text)
        end
      end
    end
  end
end
