# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # Can it carry the blade? Amps within one family, watts or horsepower for
      # the others, shaft output across families.
      class Load < Check
        def line
          return across_families unless candidate.family == old.family
          return by_amps if by_amps?
          case old.family
          when "ec"
            by_power(limits["match.ec_oversize"], 1.0)
          when "split_phase"
            by_power(limits["match.split_phase_oversize"], service)
          else
            three_phase
          end
        end

        def self.final? = true

        # How far shaft watts of two plates may lie apart beside what the windows allow, where both
        # print the same figure of power: their amps, watts and horsepower need not agree to the
        # last digit.
        ROUNDED = 1.2
        # Where they print different ones, or the old plate none.
        ROUGH = 2.2
        # More than plates of these families say a motor can give beyond its rating.
        SERVICE = 1.45
        SERVICED = %w[split_phase three_phase].freeze

        # Amps alone, on a plate without power, tell too little; where amps are compared, power
        # alone tells nothing.
        def narrowing
          wide = shaft_watts or return nil
          told = wide | around(ROUNDED) & same_figure
          told &= (known(:horsepower) | known(:watts)) & known(:amps)
          serviced? ? told & (!known(:service_factor) | !beyond(:service_factor, high: SERVICE)) : told
        end

        # Whether a smaller motor may do by its service factor.
        def serviced? = SERVICED.include?(old.family)

        # Shaft watts as the catalogue reckons them, with the trade's own efficiencies, beyond
        # which none passes whose power and amps are printed.
        # @return [Narrowing::Beyond, nil] nil where the old motor's are not known
        def shaft_watts
          return nil if wanted.empty? || (by_amps? && needed_amps.nil?)
          around(ROUGH)
        end

        private

        # A motor that draws less than its plate may be followed by a smaller one; three phases
        # carry a larger motor as long as their starter does.
        def around(room)
          least, most = reckoned.minmax
          beyond(
            :output_w,
            low: wanted.min * smallest / room * [share, 1.0].min / [most, 1.0].max,
            high: (wanted.max * largest * room * [share, 1.0].max / [least, 1.0].min unless old.family == "three_phase")
          )
        end

        def wanted
          @wanted ||= [limits, Limits.default].filter_map { |by| old.output_watts(by) }
        end

        # Horsepower before watts, as shaft watts are reckoned.
        def same_figure
          return known(:horsepower) if old.horsepower
          !known(:horsepower) & (old.watts ? known(:watts) : !known(:watts))
        end

        # Of its plate's load, what the old motor carried while it was well.
        def share
          plate = old.amps_at(place.volts)
          (@context.healthy_amps && plate) ? @context.healthy_amps / plate : 1.0
        end

        # How far this shop's reckoning of shaft watts lies from the trade's, a factor a family.
        def reckoned
          usual = Limits.default
          factors = Electrical::FAMILIES.flat_map do |family|
            efficiency = limits["efficiency.#{family}"] / usual["efficiency.#{family}"]
            [efficiency, efficiency * limits["power_factor.#{family}"] / usual["power_factor.#{family}"]]
          end
          factors << limits["match.watts_per_horsepower"] / usual["match.watts_per_horsepower"]
        end

        # The windows of load as the shop has set them, whichever of them a candidate falls under.
        def smallest
          [1 / limits["match.load_high"], limits["match.output_low"], serviced? ? 1 / SERVICE : 1.0].min
        end

        def largest
          over = %w[match.output_high match.ec_oversize match.split_phase_oversize].map { |name| limits[name] }
          [1 / limits["match.load_low"], *over].max
        end

        def service = candidate.service_factor || 1.0

        def by_amps? = %w[shaded_pole psc].include?(old.family)

        def needed_amps = @context.healthy_amps || old.amps_at(place.volts)

        def by_amps
          needed, offered = needed_amps, candidate.amps_at(place.volts)
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
